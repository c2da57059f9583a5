export { GroupRun } from './GroupRun'
