export { LimitsPage } from './LimitsPage'
export { LimitRibbon } from './LimitRibbon'
