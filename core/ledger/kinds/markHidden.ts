import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const markHiddenShape = entryShape(
  'markHidden',
  'A mark that cannot be seen in this job: buried, behind a cover, worn away; or that can be seen again',
  {
    markId: field.id('The mark'),
    is: field.oneOf(
      'Hidden; hidden, with a painted link at its tooth that stands for it until the loop comes off there; or seen again',
      ['hidden', 'painted', 'seen'],
    ),
    why: field.words('What hides it'),
  },
)

export const markHidden: LedgerKind<'markHidden'> = {
  inJob: keep(({ markId }) => markId),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [{ kind: 'markHidden', markId: 'crank-mark', is: 'hidden', why: 'behind the cover' }],
}
