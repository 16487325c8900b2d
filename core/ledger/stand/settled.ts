import type { EntryOf } from '../../model/entry'
import { partsOf } from '../../sheet'
import { settleCrank } from './crank'
import { settle, type StandDraft } from './draft'
import { asItCame, dropReadsBehind, linkAt, setLink, touched, type LinkKind } from './links'
import { settleLost } from './lostJobs'
import { putCamshaft, putOnRegister } from './parts'
import type { Apart } from './stand'
import { isReleased } from './tensionerStates'

const ended: Apart = { at: 'ended', totalDeg: undefined }

/** What somebody saw on the engine of a part that nobody knew of. It counts only where everything in dispute was known to whoever looked. */
export function takeSettled(draft: StandDraft, entry: EntryOf<'settled'>): void {
  const { part } = entry
  // Where the crank stands is seen and said anew; this only says which of a claim and the turns written is wrong.
  if (part.about === 'crank') return settleCrank(draft, entry)
  if (part.about === 'job') return settleLost(draft, entry)
  settle(draft, part.about, part.id, entry)
  if (draft.disputes.has(`${part.about} ${part.id}`)) return
  switch (part.about) {
    case 'item': {
      const item = draft.items.get(part.id)
      if (item) putOnRegister(draft, item, part.is === 'in')
      return
    }
    case 'loop':
    case 'coupling':
      return settleLink(draft, entry, part.about, part)
    case 'tensioner':
      return settleTensioner(draft, entry, part)
    case 'camshaft':
      if (part.is === 'gone') draft.camshafts.delete(part.id)
      else putCamshaft(draft, entry, part.id, part.is)
      return
  }
}

function settleLink(
  draft: StandDraft,
  entry: EntryOf<'settled'>,
  kind: LinkKind,
  part: { readonly id: string; readonly is: string; readonly became?: string | undefined },
): void {
  const links = kind === 'loop' ? draft.loops : draft.couplings
  const parts = kind === 'loop' ? draft.sheet.loops : draft.sheet.couplings
  const link = links.get(part.id) ?? draft.gone.get(part.id) ?? linkAt(draft, kind, part.id)
  const spoken = { why: undefined, jobId: entry.jobId, turnedTightDeg: 0 }
  const onSheet = (id: string | undefined) => parts.some((one) => one.id === id)
  dropReadsBehind(draft, part.id)
  switch (part.is) {
    case 'gone':
      // A part of today's build sheet is not gone.
      if (onSheet(part.id)) break
      draft.gone.set(part.id, link)
      links.delete(part.id)
      break
    case 'became':
      if (!part.became || !onSheet(part.became) || onSheet(part.id)) break
      setLink(draft, kind, part.became, { ...link, ...spoken, counts: [], changes: [...link.changes, entry] })
      draft.gone.set(part.id, link)
      links.delete(part.id)
      break
    case 'asItRan':
      // Once it was worked on in this engine's ledger, only a count or a reading says that it is right.
      if (link.changes.length === 0 && link.is !== 'off' && link.why !== 'jobLost') {
        setLink(draft, kind, part.id, { ...asItCame, ...spoken })
        return
      }
      break
    case 'off':
    case 'apart':
      setLink(draft, kind, part.id, { ...link, ...spoken, is: 'off', apart: ended, changes: [entry], counts: [] })
      break
    default:
      setLink(draft, kind, part.id, {
        ...link,
        ...spoken,
        is: 'on',
        apart: link.apart ? ended : undefined,
        changes: [entry],
        counts: [],
      })
  }
  touched(draft, entry)
}

function settleTensioner(
  draft: StandDraft,
  entry: EntryOf<'settled'>,
  part: { readonly id: string; readonly is: string; readonly became?: string | undefined },
): void {
  const was = draft.tensioners.get(part.id)
  const onSheet = (id: string | undefined) => partsOf(draft.sheet).tensioners.some((one) => one.id === id)
  draft.touchedOn.add(entry.sheetId)
  if (part.is === 'gone') {
    if (!onSheet(part.id)) draft.tensioners.delete(part.id)
  } else if (part.is === 'became') {
    if (!part.became || !onSheet(part.became) || onSheet(part.id)) return
    if (was) draft.tensioners.set(part.became, was)
    draft.tensioners.delete(part.id)
  } else {
    const is = part.is === 'released' ? 'released' : 'heldBack'
    // Let go of before, it was so where it was let go of.
    const letGo = was && !isReleased(was.is)
    draft.tensioners.set(part.id, { is, totalDeg: letGo ? was.totalDeg : draft.rotation.totalDeg })
  }
}
