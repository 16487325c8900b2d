import { beforeCranking } from '@link-count/core/diagnose'
import { itemSentence } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

const liveWords = {
  fuel: 'Fuel is not said to be shut in this job.',
  spark: 'The spark is not said to be off in this job.',
}
const notKnownWords = { lash: 'lash', timing: 'timing' }

/** What stands against cranking it, and what a low figure could still come from. */
export function BeforeCranking() {
  const { sheet, state } = useBench().view
  const { register, live, notKnown } = beforeCranking(sheet, state)
  return (
    <>
      {(register.length > 0 || live.length > 0) && (
        <div className="warn" role="alert">
          <strong>Do not crank it yet.</strong>
          <ul>
            {register.map((item) => (
              <li key={item.itemId}>{itemSentence(item, sheet)}</li>
            ))}
            {live.map((one) => (
              <li key={one}>{liveWords[one]}</li>
            ))}
          </ul>
        </div>
      )}
      {notKnown.length > 0 && (
        <p className="warn">
          Not read yet in this job: {notKnown.map((one) => notKnownWords[one]).join(' and ')}. A low figure may come
          from there. Read that first.
        </p>
      )}
      <p className="soft">Every plug out, throttle open, and cranked alike for each cylinder.</p>
    </>
  )
}
