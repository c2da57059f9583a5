import { askEarly } from './lib/early'
import './styles.css'

const root = document.getElementById('root')
if (!root) throw new Error('no root element')

// a client's phone gets the four questions and nothing else, a run what runs it
const { pathname } = location
const unsigned = pathname.startsWith('/check-in/') || /^\/screen(\/|$)/.test(pathname)
if (!unsigned) askEarly('/api/me', ...(pathname === '/' ? ['/api/day'] : []))
// the day sheet itself comes beside what shows it
if (pathname === '/') void import('./features/day').catch(() => {})
const part = pathname.startsWith('/check-in/')
  ? import('./features/checkin')
  : unsigned
    ? import('./features/screen/start')
    : pathname.startsWith('/run/')
      ? import('./features/run/start')
      : import('./app/start')
// kept for times without a network; a client's own device keeps nothing
if (!unsigned && import.meta.env.PROD && 'serviceWorker' in navigator)
  window.addEventListener('load', () => {
    navigator.serviceWorker.register('/sw.js').catch(() => {}) // no secure address: it works with the network
  })
part.then(
  (p) => p.start(root),
  () => {
    root.textContent = 'Riposo could not be loaded. Look at the connection, then load the page again.'
  },
)
