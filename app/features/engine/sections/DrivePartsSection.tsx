import { useSheetEditor } from '../SheetEditor'
import { AddLoop } from './drive/AddLoop'
import { CouplingFields } from './drive/CouplingFields'
import { LoopSection } from './drive/LoopSection'
import { PlainMember } from './drive/PlainMember'
import { ShaftFields } from './drive/ShaftFields'
import { TimingPosition } from './TimingPosition'
import { Section } from './Section'

/** Any drive, in the order it is measured: shafts and where they stand, wheels and what they bear on, each loop, marks, counts. */
export function DrivePartsSection() {
  const { sheet } = useSheetEditor()
  const couplings = sheet.couplings.filter(({ kind }) => kind !== 'gearMesh')
  return (
    <>
      <Section
        title="The timing position"
        lead="Where the marks meet: a TDC, an opening, a printed number of degrees. A camshaft or bank may have a place of its own."
      >
        <TimingPosition />
      </Section>
      <Section
        title="Shafts and what is on them"
        lead="Counts alone are a full way of working. With the places of the shafts the drive is drawn to scale and the counts are worked out."
      >
        {sheet.shafts.map((shaft) => (
          <ShaftFields key={shaft.id} shaft={shaft} />
        ))}
        {sheet.members
          .filter(({ shaftId }) => !shaftId)
          .map((member) => (
            <PlainMember key={member.id} member={member} />
          ))}
      </Section>
      {couplings.length > 0 && (
        <Section
          title="Couplings"
          lead="What can be drawn apart and put together again in another place. No count sees which."
        >
          {couplings.map((coupling) => (
            <CouplingFields key={coupling.id} coupling={coupling} />
          ))}
        </Section>
      )}
      {sheet.loops.map((loop) => (
        <LoopSection key={loop.id} loop={loop} />
      ))}
      <AddLoop />
    </>
  )
}
