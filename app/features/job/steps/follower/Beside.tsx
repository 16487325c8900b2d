import { lobeSpread, othersOfAKind, type FollowerOfJob } from '@link-count/core/followers'
import { partsOf } from '@link-count/core/sheet'
import { followerFigure, inSentence } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** What it is held against beside its own figure: another of its kind, and its own lobes among each other. */
export function Beside({ of }: { readonly of: FollowerOfJob }) {
  const { sheet, state } = useBench().view
  const by = of.aim?.by ?? 'beforeTdc'
  const spread = lobeSpread(of)
  return (
    <>
      {othersOfAKind(sheet, state, of.follower).map(({ other, apart, plusMinus, meant }) => {
        const off = Math.abs(apart - meant)
        return (
          <p key={other.id} className={off <= plusMinus ? 'result' : 'warn'}>
            {followerFigure(by, Math.abs(apart))} {apart >= 0 ? 'earlier' : 'later'} than the {inSentence(other.name)}
            {Math.abs(meant) < 0.05
              ? ', meant to be together'
              : `, meant to be ${followerFigure(by, Math.abs(meant))} ${meant >= 0 ? 'earlier' : 'later'}`}
            , ± {followerFigure(by, plusMinus)}
            {off <= plusMinus ? ': as meant.' : `: ${followerFigure(by, off)} off that.`}
          </p>
        )
      })}
      {spread && (
        <p className={spread.sure ? 'warn' : 'result'}>
          {spread.lobes
            .map(
              ({ cylinderId, value }) =>
                `Cylinder ${partsOf(sheet).cylinder(cylinderId)?.name ?? ''} ${followerFigure(by, value)}`,
            )
            .join(', ')}
          : {followerFigure(by, spread.spread)} ± {followerFigure(by, spread.plusMinus)} apart
          {spread.sure
            ? '. Its shaft is worn or bent, or a lobe is: no setting suits them all.'
            : ', which its ± explains.'}
        </p>
      )}
    </>
  )
}
