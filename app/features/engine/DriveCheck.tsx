import { countedMarks, expectedCount, recountsForRatio, solveLoop, toothWorth } from '@link-count/core/drive'
import { fixed, ratioOf, ratiosEqual } from '@link-count/core/units'
import { FaceStill } from '../../ui/face'
import { gapCosts, loopWords } from '../../ui/wording'
import { useSheetEditor } from './SheetEditor'

/** What the figures so far make: the drive drawn, whether ratio and length close, what each gap costs. */
export function DriveCheck() {
  const { sheet } = useSheetEditor()
  const loop = sheet.loops[0]
  if (!loop) return null
  const solved = solveLoop(sheet, loop)
  const toothed = loop.path.flatMap(({ memberId }) => {
    const member = sheet.members.find(({ id }) => id === memberId)
    return member?.teeth
      ? [{ teeth: member.teeth.value, shaft: sheet.shafts.find(({ id }) => id === member.shaftId) }]
      : []
  })
  const driver = toothed.find(({ shaft }) => shaft?.kind === 'crank')
  const driven = toothed.find(({ shaft }) => shaft?.kind === 'cam')
  const ratioOk = driver && driven?.shaft && ratiosEqual(ratioOf(driver.teeth, driven.teeth), driven.shaft.ratio)
  const marks = countedMarks(sheet, loop, 'tight')
  const expected = marks && expectedCount(sheet, solved.ok ? solved.value : undefined, marks.from, marks.to)
  return (
    <section>
      <h2>The drive</h2>
      <div className="drive-picture">
        <FaceStill sheet={sheet} width={300} height={320} />
      </div>
      {!solved.ok && (
        <p className="warn" role="alert">
          {loopWords(solved.error, sheet)}
        </p>
      )}
      {driver && driven?.shaft && !ratioOk && (
        <p className="warn" role="alert">
          {driver.teeth} to {driven.teeth} is not half speed. Count again: is it{' '}
          {recountsForRatio({ driver: driver.teeth, driven: driven.teeth, wanted: driven.shaft.ratio })
            .map((pair) => `${pair.driver} to ${pair.driven}`)
            .join(', or ')}
          ?
        </p>
      )}
      <dl className="figures">
        {driven?.shaft && (
          <div>
            <dt>One cam tooth is</dt>
            <dd className="reading">{fixed(toothWorth(driven.teeth, driven.shaft.ratio).crankDeg, 2)}° crank</dd>
          </div>
        )}
        {solved.ok && (
          <>
            <div>
              <dt>Whole chain</dt>
              <dd className="reading">
                {solved.value.pitches} pitches{solved.value.pitches % 2 === 1 ? ', odd: a cranked link?' : ''}
              </dd>
            </div>
            {solved.value.drawn === 'toScale' && (
              <div>
                <dt>Slack to take up</dt>
                <dd className="reading">{fixed(solved.value.slackPitches, 2)} pitches</dd>
              </div>
            )}
            {solved.value.tensionerTravelMm !== undefined && (
              <div>
                <dt>Tensioner stands in</dt>
                <dd className="reading">{fixed(solved.value.tensionerTravelMm, 1)} mm</dd>
              </div>
            )}
          </>
        )}
        <div>
          <dt>Expected count</dt>
          <dd className="reading">{expected ? `${fixed(expected.pitches, 1)} pitches` : 'not known yet'}</dd>
        </div>
      </dl>
      {expected?.contradicts && (
        <p className="warn" role="alert">
          The written count of {fixed(expected.contradicts.book, 1)} and the {fixed(expected.contradicts.geometry, 1)}{' '}
          from the distances disagree: another version’s mark, another rule of counting, or a figure to measure again.
        </p>
      )}
      {!expected && (
        <p className="soft">
          For an expected count: the distances and where both marks point in the pose, or a count from the book.
        </p>
      )}
      {solved.ok && solved.value.gaps.length > 0 && (
        <ul className="soft gap-list">
          {solved.value.gaps.map((gap) => (
            <li key={gap}>{gapCosts[gap]}</li>
          ))}
        </ul>
      )}
    </section>
  )
}
