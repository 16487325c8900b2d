import { useEffect, useRef, type RefObject } from 'react'

/** Shows a step from its title on when it takes the place of another, and reads it out: the button that led to it is often gone with the step before. */
export function useStepInView(sheet: RefObject<HTMLElement | null>, stepId: string | undefined) {
  const was = useRef(stepId)
  useEffect(() => {
    const room = sheet.current?.clientHeight ?? 0
    const panel = sheet.current?.querySelector<HTMLElement>('.step-panel')
    const title = panel?.querySelector('h2')
    const isAnother = was.current !== stepId
    was.current = stepId
    if (!panel || !title) return
    if (isAnother && (document.activeElement ?? document.body) === document.body) title.focus({ preventScroll: true })
    // Beside the drawing the list of steps has a place of its own; on a phone the page begins with the engine.
    const hasOwnPlace = window.matchMedia('(min-width: 901px)').matches
    if (hasOwnPlace) panel.scrollIntoView({ block: panel.offsetHeight > room ? 'start' : 'nearest' })
    else if (isAnother) title.scrollIntoView({ block: isSeen(title) ? 'nearest' : 'start' })
  }, [sheet, stepId])
}

const isSeen = (title: Element) => {
  const { top, bottom } = title.getBoundingClientRect()
  return top >= 0 && bottom <= window.innerHeight / 2
}
