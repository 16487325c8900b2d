import { foundBefore, removalsOf } from '@link-count/core/removals'
import { selectJobViews } from '../../../domain/views'
import { useAppSelector } from '../../../store'
import { inSentence, putBackWords } from '../../../ui/wording'
import { useBench } from '../JobContext'

/** How a thing of this name lay when it came off in an earlier job of the engine, and how it went back. */
export function FoundBefore({ what }: { readonly what: string }) {
  const { engine, job } = useBench().view
  const views = useAppSelector((state) => selectJobViews(state, engine.id))
  const from = views.findIndex((one) => one.job.id === job.id) + 1
  const earlier = views.slice(from).map(({ label, state }) => ({ job: label, removals: removalsOf(state) }))
  const found = foundBefore(earlier, what)
  if (!found) return null
  const { entry, back } = found
  return (
    <p className="result">
      Job {found.job} found the {inSentence(entry.what)}: {entry.lies}.
      {back && back.as !== 'same' && ` ${putBackWords[back.as]}${back.reason ? `, ${back.reason}` : ''}.`}
    </p>
  )
}
