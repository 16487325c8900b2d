import type { EntryOf } from '../../model/entry'
import { partsOf } from '../../sheet'
import { settleCrank } from './crank'
import { settle, type StandSoFar } from './standSoFar'
import { asItCame, dropReadsBehind, linkAt, setLink, touched, type LinkKind, uncounted } from './links'
import { settleLost } from './lostJobs'
import { putCamshaft, putOnRegister } from './parts'
import type { Apart } from './stand'
import { holdsTight } from './tensionerStates'

const ended: Apart = { at: 'ended', totalDeg: undefined }

/** What somebody saw on the engine of a part that nobody knew of. It counts only where everything in dispute was known to whoever looked. */
export function takeSettled(soFar: StandSoFar, entry: EntryOf<'settled'>): void {
  const { part } = entry
  // Where the crank stands is seen and said anew; this only says which of a claim and the turns written is wrong.
  if (part.about === 'crank') return settleCrank(soFar, entry)
  if (part.about === 'job') return settleLost(soFar, entry)
  settle(soFar, part.about, part.id, entry)
  if (soFar.disputes.has(`${part.about} ${part.id}`)) return
  switch (part.about) {
    case 'item': {
      const item = soFar.items.get(part.id)
      if (item) putOnRegister(soFar, item, part.is === 'in')
      return
    }
    case 'loop':
    case 'coupling':
      return settleLink(soFar, entry, part.about, part)
    case 'tensioner':
      return settleTensioner(soFar, entry, part)
    case 'camshaft':
      if (part.is === 'gone') soFar.camshafts.delete(part.id)
      else putCamshaft(soFar, entry, part.id, part.is)
      return
  }
}

function settleLink(
  soFar: StandSoFar,
  entry: EntryOf<'settled'>,
  kind: LinkKind,
  part: { readonly id: string; readonly is: string; readonly became?: string | undefined },
): void {
  const links = kind === 'loop' ? soFar.loops : soFar.couplings
  const parts = kind === 'loop' ? soFar.sheet.loops : soFar.sheet.couplings
  const link = links.get(part.id) ?? soFar.gone.get(part.id) ?? linkAt(soFar, kind, part.id)
  const spoken = { why: undefined, jobId: entry.jobId, turnedTightDeg: 0 }
  const onSheet = (id: string | undefined) => parts.some((one) => one.id === id)
  dropReadsBehind(soFar, part.id)
  switch (part.is) {
    case 'gone':
      // A part of today's build sheet is not gone.
      if (onSheet(part.id)) break
      soFar.gone.set(part.id, link)
      links.delete(part.id)
      break
    case 'became':
      if (!part.became || !onSheet(part.became) || onSheet(part.id)) break
      setLink(soFar, kind, part.became, { ...link, ...spoken, ...uncounted, changes: [...link.changes, entry] })
      soFar.gone.set(part.id, link)
      links.delete(part.id)
      break
    case 'asItRan':
      // Once it was worked on in this engine's ledger, only a count or a reading says that it is right.
      if (link.changes.length === 0 && link.is !== 'off' && link.why !== 'jobLost') {
        setLink(soFar, kind, part.id, { ...asItCame, ...spoken })
        return
      }
      break
    case 'off':
    case 'apart':
      setLink(soFar, kind, part.id, { ...link, ...spoken, is: 'off', apart: ended, changes: [entry], ...uncounted })
      break
    default:
      setLink(soFar, kind, part.id, {
        ...link,
        ...spoken,
        is: 'on',
        apart: link.apart ? ended : undefined,
        changes: [entry],
        ...uncounted,
      })
  }
  touched(soFar, entry)
}

function settleTensioner(
  soFar: StandSoFar,
  entry: EntryOf<'settled'>,
  part: { readonly id: string; readonly is: string; readonly became?: string | undefined },
): void {
  const was = soFar.tensioners.get(part.id)
  const onSheet = (id: string | undefined) => partsOf(soFar.sheet).tensioners.some((one) => one.id === id)
  soFar.touchedOn.add(entry.sheetId)
  if (part.is === 'gone') {
    if (!onSheet(part.id)) soFar.tensioners.delete(part.id)
  } else if (part.is === 'became') {
    if (!part.became || !onSheet(part.became) || onSheet(part.id)) return
    if (was) soFar.tensioners.set(part.became, was)
    soFar.tensioners.delete(part.id)
  } else {
    const is = part.is === 'released' ? 'released' : 'heldBack'
    // Let go of before, it was so where it was let go of.
    const letGo = was && !holdsTight(was.is)
    soFar.tensioners.set(part.id, { is, totalDeg: letGo ? was.totalDeg : soFar.rotation.totalDeg })
  }
}
