export { ClientsPage } from './ClientsPage'
export { ClientLayout, ClientOverview, useClient } from './ClientLayout'
