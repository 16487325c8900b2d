import { CloseButton } from '@mantine/core'
import type { ReactNode } from 'react'
import { useEffect, useRef } from 'react'
import type { BuildSheet } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { useChosenPart } from '../ChosenPart'
import { ReadingFrom } from '../ReadingFrom'
import { useSheetEditor } from '../SheetEditor'
import { BoltGroupPanel } from '../panels/bolts/BoltGroupPanel'
import { BoltsPanel } from '../panels/bolts/BoltsPanel'
import { CouplingPanel } from '../panels/CouplingPanel'
import { CrankPanel } from '../panels/CrankPanel'
import { BankPanel, CylinderPanel, FiringPanel } from '../panels/CylinderPanels'
import { CountsPanel, LoopPanel } from '../panels/LoopPanel'
import { FollowerPanel } from '../panels/follower/FollowerPanel'
import { MarkPanel } from '../panels/MarkPanel'
import { PlainPanel } from '../panels/PlainPanel'
import { RimMarkPanel, RimPanel } from '../panels/RimPanels'
import { AllowedPanel, RunningPanel } from '../panels/RunningPanel'
import { ShaftPanel } from '../panels/ShaftPanel'
import { TimingPanel } from '../panels/TimingPosition'
import { CamsPanel, ValvePanel } from '../panels/ValvePanel'
import { WheelPanel } from '../panels/WheelPanel'
import type { EnginePart, PartKind } from './engineParts'
import './PartPanel.css'

/** The figures of a part, by its kind. Undefined where it is on the sheet no more. */
const panels: Readonly<Record<PartKind, (sheet: BuildSheet, id: string) => ReactNode>> = {
  running: () => <RunningPanel />,
  allowed: () => <AllowedPanel />,
  timing: () => <TimingPanel />,
  crank: () => <CrankPanel />,
  firing: () => <FiringPanel />,
  cams: () => <CamsPanel />,
  rim: () => <RimPanel />,
  valve: (_sheet, id) => <ValvePanel valve={id as 'inlet'} />,
  shaft: (sheet, id) => of(partsOf(sheet).shaft(id), (shaft) => <ShaftPanel shaft={shaft} />),
  wheel: (sheet, id) => of(partsOf(sheet).member(id), (member) => <WheelPanel member={member} />),
  plain: (sheet, id) => of(partsOf(sheet).member(id), (member) => <PlainPanel member={member} />),
  mark: (sheet, id) => of(partsOf(sheet).mark(id), (mark) => <MarkPanel mark={mark} />),
  loop: (sheet, id) => of(partsOf(sheet).loop(id), (loop) => <LoopPanel loop={loop} />),
  counts: (sheet, id) => of(partsOf(sheet).loop(id), (loop) => <CountsPanel loop={loop} />),
  coupling: (sheet, id) => of(partsOf(sheet).coupling(id), (coupling) => <CouplingPanel coupling={coupling} />),
  cylinder: (sheet, id) => of(partsOf(sheet).cylinder(id), (cylinder) => <CylinderPanel cylinder={cylinder} />),
  follower: (sheet, id) =>
    of(
      sheet.followers?.find((one) => one.id === id),
      (follower) => <FollowerPanel follower={follower} />,
    ),
  bolts: () => <BoltsPanel />,
  boltGroup: (sheet, id) =>
    of(
      sheet.boltGroups?.find((one) => one.id === id),
      (group) => <BoltGroupPanel group={group} />,
    ),
  bank: (sheet, id) =>
    of(
      sheet.banks.find((one) => one.id === id),
      (bank) => <BankPanel bank={bank} />,
    ),
  rimMark: (sheet, id) =>
    of(
      sheet.rimMarks.find((one) => one.id === id),
      (mark) => <RimMarkPanel mark={mark} />,
    ),
}

const of = <T,>(part: T | undefined, show: (part: T) => ReactNode) => part && show(part)

/** The part that is chosen: what it is, and its few figures. */
export function PartPanel({ part }: { readonly part: EnginePart }) {
  const { sheet } = useSheetEditor()
  const { choose } = useChosenPart()
  const heading = useRef<HTMLHeadingElement>(null)
  const wasOpen = useRef(false)
  // The first one is there when the page opens; one that is chosen is gone to.
  useEffect(() => {
    if (wasOpen.current) heading.current?.focus()
    wasOpen.current = true
  }, [part.key])
  return (
    <section className="part-panel" aria-label="Part">
      <div className="part-head">
        <div>
          <h2 ref={heading} tabIndex={-1}>
            {part.name}
          </h2>
          <p className="soft">{part.what}</p>
        </div>
        <CloseButton size="xl" aria-label="Close the part" onClick={() => choose('')} />
      </div>
      <ReadingFrom />
      <div key={part.key} className="part-figures">
        {panels[part.kind](sheet, part.id)}
      </div>
    </section>
  )
}
