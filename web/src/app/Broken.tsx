import { Component, type ReactNode } from 'react'
import { Button } from '../ui/Button'

interface Props {
  children: ReactNode
  /** where one is: another place is tried anew */
  at?: string
}

/** What is shown where a part of the page could not be loaded or fell over; the rest stays. */
export class Broken extends Component<Props, { broken: boolean; at?: string }> {
  override state: { broken: boolean; at?: string } = { broken: false }

  static getDerivedStateFromError() {
    return { broken: true }
  }

  static getDerivedStateFromProps(props: Props, state: { at?: string }) {
    return props.at === state.at ? null : { broken: false, at: props.at }
  }

  override render() {
    if (!this.state.broken) return this.props.children
    return (
      <div role="alert" className="my-6 max-w-xl border-l-4 border-brick bg-sheet px-4 py-3">
        <p className="mb-2 font-semibold text-brick">This part of the page could not be shown.</p>
        <p className="mb-3">
          The connection may be gone, or Riposo was renewed meanwhile. What was saved is safe.
        </p>
        <Button main onClick={() => location.reload()}>
          Load the page again
        </Button>
      </div>
    )
  }
}
