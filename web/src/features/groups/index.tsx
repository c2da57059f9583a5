export { GroupsPage } from './GroupsPage'
export { GroupPage } from './GroupPage'
