export { LimitsPage } from './LimitsPage'
export { LimitRibbon } from './LimitRibbon'
export { kept } from './caps'
