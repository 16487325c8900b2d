import { lazy, Suspense, useEffect, useState, type MouseEvent, type ReactNode } from 'react'
import { Link, useLocation } from 'react-router'
import { Logo } from './Logo'
import './waits/pageOpened'
import { useOpenWaits } from './waits/useOpenWaits'
import { useWorkshop } from './WorkshopContext'
import './PageHeader.css'

const WaitChips = lazy(() => import('./waits/WaitChips'))

/** The top of every page: where one is, which workshop is open, and the page's own buttons. */
export function PageHeader({
  crumbs,
  children,
}: {
  readonly crumbs: readonly { readonly words: string; readonly to?: string }[]
  readonly children?: ReactNode
}) {
  const { kind } = useWorkshop()
  const waits = useOpenWaits()
  // The tab, the history and what a print is saved as name the page.
  const title = crumbs.length > 0 ? `${crumbs.map(({ words }) => words).join(', ')} · Link Count` : 'Link Count'
  useEffect(() => {
    document.title = title
  }, [title])
  const { key } = useLocation()
  // Come to from another page, the keys go on in its main part; at the first load they begin at the top.
  const [gone] = useState(key !== 'default')
  useEffect(() => {
    if (gone && (document.activeElement === null || document.activeElement === document.body)) focusMain()
  }, [gone])
  return (
    <header className="page-header">
      <a href="#main" className="skip" onClick={goToMain}>
        To the main part
      </a>
      <Link to={`/${kind}`} className="home" aria-label="Link Count, workshop">
        <Logo />
        <strong className="wide">Link Count</strong>
      </Link>
      <nav aria-label="Where you are" className="crumbs">
        <Link to={`/${kind}`} className="wide">
          Workshop
        </Link>
        {crumbs.map(({ words, to }, i) => (
          <span key={words} className={i < crumbs.length - 1 ? 'crumb wide' : 'crumb last'}>
            <span aria-hidden="true" className="slash">
              /
            </span>
            {to ? <Link to={`/${kind}${to}`}>{words}</Link> : words}
          </span>
        ))}
      </nav>
      <div className="page-actions">
        {waits.length > 0 && (
          <Suspense fallback={null}>
            <WaitChips waits={waits} kind={kind} />
          </Suspense>
        )}
        <Link
          to={kind === 'demo' ? '/own' : '/demo'}
          className={`which-workshop ${kind}`}
          aria-label={
            kind === 'demo'
              ? 'Demo workshop is open. Go to my workshop'
              : 'My workshop is open. Go to the demo workshop'
          }
        >
          {kind === 'demo' ? 'Demo' : 'My'}
          <span className="wide">&nbsp;workshop</span>
        </Link>
        {children}
      </div>
    </header>
  )
}

/** A link within the page, but for the address: the app's own routes stand in that. */
function goToMain(event: MouseEvent) {
  event.preventDefault()
  focusMain()
}

function focusMain() {
  const main = document.querySelector('main')
  main?.setAttribute('tabindex', '-1')
  main?.focus({ preventScroll: true })
}
