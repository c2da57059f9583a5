export { FamilyPage } from './FamilyPage'
export { MovementPage } from './MovementPage'
export { MovementsPage } from './MovementsPage'
export { OwnMovementPage } from './OwnMovementPage'
