export { PlanPage } from './PlanPage'
export { PlansPage } from './PlansPage'
