export { RunPage } from './RunPage'
export { AfterPage } from './AfterPage'
