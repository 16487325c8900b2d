import { useEffect, useRef } from 'react'
import type { JobView } from '../../domain/views'
import { useDraft } from '../../ui/fields'
import type { Bench } from './JobContext'

/** The step that is shown: the one in hand, or one that was chosen out of order. What is done there leads back to where one was, also after the page was closed. */
export function useShownStep({ job, steps, inHand }: JobView) {
  const way = useDraft(`${job.id}:way`)
  const open = (id: string) => steps.some(({ step, status }) => step.id === id && status.outcome === 'open')
  const chosen = way.text.split(' ').filter((id) => steps.some(({ step }) => step.id === id))
  const shown = steps.find(({ step }) => step.id === chosen.at(-1)) ?? steps.find(({ step }) => step === inHand)
  const go = (ids: readonly string[]) => {
    const text = ids.slice(-MOST).join(' ')
    if (text === '') way.drop()
    else way.setText(text)
  }
  const shownId = shown?.step.id
  // A write may end after somebody has gone on, or has asked to.
  const now = useRef(shownId)
  useEffect(() => {
    now.current = shownId
  }, [shownId])
  const showStep: Bench['showStep'] = (stepId, from) => {
    if (stepId !== undefined) {
      if (stepId === shownId) return
      now.current = stepId
      // Where one was, and what is looked at now.
      const was = chosen.length > 0 || shownId === undefined ? chosen : [shownId]
      go(stepId === inHand?.id ? [] : [...was.filter((id) => id !== stepId), stepId])
      return
    }
    // Somebody has gone on from it meanwhile.
    if (from !== undefined && from !== now.current) return
    const back = chosen.filter((id) => id !== shownId && open(id))
    go(back.at(-1) === inHand?.id ? back.slice(0, -1) : back)
  }
  return { shown, showStep: showStep }
}

/** A way longer than this is not remembered. */
const MOST = 6
