import { Button, NativeSelect } from '@mantine/core'
import { beforeTdc, ratioOfFollower, staticFromMost, toCrankDeg, type FollowerAim } from '@link-count/core/followers'
import { entryLimits, type Follower } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { fixed, parseDegrees } from '@link-count/core/units'
import { useDraft, useField, WordsInput } from '../../../../ui/fields'
import { Fold } from '../../../../ui/Fold'
import { figureOfWords, followerCautions, followerFigure, numberWords, whichAimWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

type Which = FollowerAim['which']

/** What it is set to in this job: the book's figure, or another with its reason. */
export function Aim({
  follower,
  aim,
  step,
  mayChoose,
}: {
  readonly follower: Follower
  readonly aim: FollowerAim | undefined
  readonly step: Step
  readonly mayChoose: boolean
}) {
  return (
    <>
      {aim ? (
        <p>
          Wanted: <strong className="reading">{followerFigure(aim.by, aim.value)}</strong> {figureOfWords[aim.by]},{' '}
          {followerFigure(aim.by, aim.least)} to {followerFigure(aim.by, aim.most)}. {upper(whichAimWords[aim.which])}
          {aim.reason && `: ${aim.reason}`}.
        </p>
      ) : (
        <p className="warn">What it is set to is not on the build sheet: say it here, or write it there.</p>
      )}
      <AtTheMost follower={follower} aim={aim} />
      {aim?.outsideBook && (
        <p className="warn">
          Outside the book’s own band, on purpose. {aim.which === 'softer' ? '' : followerCautions.brisk}
        </p>
      )}
      {mayChoose && (
        <Fold title={aim ? 'Another figure, on purpose' : 'What it is set to'} open={!aim}>
          <Choose follower={follower} aim={aim} step={step} />
        </Fold>
      )}
    </>
  )
}

/** What the figure comes to with all of its advance: too much there is too much, whatever it is standing. */
function AtTheMost({ follower, aim }: { readonly follower: Follower; readonly aim: FollowerAim | undefined }) {
  const { sheet } = useBench().view
  const { advance, wanted } = follower
  const ratio = ratioOfFollower(sheet, follower)
  const place = aim && beforeTdc(sheet, { ...aim, plusMinus: 0 })
  if (!advance?.most || !ratio || typeof place !== 'object') return null
  const travel = toCrankDeg(advance.most.value, advance.of, ratio)
  const standing = wanted?.control === 'advanced' ? staticFromMost(place.deg, travel) : place.deg
  return (
    <p className="soft">
      Standing {fixed(standing, 1)}°, with all its advance {fixed(standing + travel, 1)}° before TDC.
    </p>
  )
}

const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** The drafts of a chosen figure, and how it is written. */
function useChoice({
  follower,
  aim,
  step,
}: {
  readonly follower: Follower
  readonly aim: FollowerAim | undefined
  readonly step: Step
}) {
  const { view, say } = useBench()
  const { wanted } = follower
  const key = `${view.job.id}:${follower.id}:aim`
  const by = wanted?.by ?? aim?.by ?? 'beforeTdc'
  const options: readonly Which[] = [
    ...(wanted ? (['book'] as const) : []),
    ...(wanted?.brisker ? (['brisker'] as const) : []),
    ...(wanted?.softer ? (['softer'] as const) : []),
    'own',
  ]
  const picked = useDraft(`${key}:which`, aim?.which ?? options[0] ?? 'own')
  const which = options.find((one) => one === picked.text) ?? 'own'
  const own = useField(`${key}:value`, (text) => parseDegrees(text, entryLimits('followerTarget', 'value')))
  const reason = useDraft(`${key}:reason`, '')
  const asked = useDraft(`${key}:asked`, '')
  const value = {
    book: wanted?.value.value,
    brisker: wanted?.brisker?.value,
    softer: wanted?.softer?.value,
    own: own.value,
  }[which]
  const noReason = which !== 'book' && reason.text.trim() === ''
  const write = () => {
    if (which === 'own') own.ask()
    asked.setText('yes')
    if (value === undefined || noReason) return
    void say(
      {
        kind: 'followerTarget',
        followerId: follower.id,
        by,
        value,
        which,
        reason: which === 'book' ? '' : reason.text.trim(),
        ...(which === 'own' ? { typed: [{ field: 'wanted', text: own.said }] } : {}),
        stepId: step.id,
      },
      which === 'own' ? [own, reason] : [reason],
    )
  }
  return { wanted, by, options, which, picked, own, reason, noReason: asked.text !== '' && noReason, write }
}

function Choose(props: Parameters<typeof useChoice>[0]) {
  const { wanted, by, options, which, picked, own, reason, noReason, write } = useChoice(props)
  return (
    <>
      <NativeSelect
        label="Which figure"
        value={which}
        onChange={(event) => picked.setText(event.currentTarget.value)}
        data={options.map((one) => {
          const figure = { book: wanted?.value, brisker: wanted?.brisker, softer: wanted?.softer, own: undefined }[one]
          return { value: one, label: `${whichAimWords[one]}${figure ? `, ${followerFigure(by, figure.value)}` : ''}` }
        })}
      />
      {which === 'own' && (
        <WordsInput
          label={`Your own, ${figureOfWords[by]}`}
          placeholder={by === 'lift' ? '0.90' : '26'}
          inputMode="decimal"
          maxLength={16}
          of={own}
          onBlur={own.leave}
          error={own.error && numberWords(own.error)}
        />
      )}
      {which !== 'book' && (
        <WordsInput
          label="Why not the book’s"
          placeholder="it pulls better so, and does not knock"
          maxLength={300}
          of={reason}
          error={noReason ? 'A figure that is not the book’s wants its reason.' : undefined}
        />
      )}
      <Button variant="default" onClick={write}>
        Set it to this
      </Button>
    </>
  )
}
