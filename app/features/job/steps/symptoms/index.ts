import { suspectsOf } from '@link-count/core/diagnose'
import { causeWordsOf } from '../../../../ui/wording'
import type { StepView } from '../stepView'
import { Symptoms } from './Symptoms'

export const symptoms: StepView = {
  Panel: Symptoms,
  result: (_step, { sheet, state }) => {
    const suspects = suspectsOf(sheet, state)
    const found = suspects.find(({ is }) => is === 'found')
    if (found) return causeWordsOf(found.id).name
    const open = suspects.filter(({ is }) => is === 'open').length
    return suspects.length === 0 ? '' : open === 0 ? 'none of these' : `${open} still open`
  },
}
