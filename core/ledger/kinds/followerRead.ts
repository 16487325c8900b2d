import { entryShape } from '../../model/entryShape'
import * as field from '../../model/fields'
import { FOLLOWER_FIGURES } from '../../model/followers'
import { keep, onlyOfJob, type LedgerKind } from './kind'

export const followerReadShape = entryShape('followerRead', 'Where a pump, magneto or distributor delivers or sparks', {
  followerId: field.id('The pump, magneto or distributor'),
  cylinderId: field.id('The cylinder whose outlet or spark was read'),
  phase: field.phase,
  by: field.oneOf(
    'Lift of the pump at firing TDC, mm; before firing TDC in degrees of the crank, mm of piston or mm of rim',
    FOLLOWER_FIGURES,
  ),
  value: field.between('The figure, in the unit that goes with it; after TDC is minus', -1000, 1000),
  plusMinus: field.between('The ± of it, in the same unit, two sigma', 0, 1000),
  with: field.oneOf(
    'On a dial, as the flow stops, by a line and its notch, by a lamp or meter, by paper or a feeler in the points, by eye',
    ['dial', 'spill', 'line', 'lamp', 'feeler', 'eye'],
  ),
  bolts: field.oneOf('Whether what holds it was tight', ['loose', 'tight']),
  zeroed: field
    .oneOf(
      'Of a lift, where its needle was set to 0: turned back until it fell no more, or forward after the delivery before until it fell no more; or elsewhere',
      ['back', 'forward', 'elsewhere'],
    )
    .optional(),
  pressedInMm: field
    .between(
      'Of a lift, how far the needle was still pressed in where it was set to 0, mm; at 0 it is at its stop',
      0,
      50,
    )
    .optional(),
  startAdvance: field.oneOf('Of a pump with a cold-start advance: off, or on', ['off', 'on']).optional(),
  control: field.oneOf('Where its hand advance stood', ['retarded', 'advanced']).optional(),
  pawls: field
    .oneOf('Of an impulse coupling: its pawls held out, or free so that it let go late', ['heldOut', 'free'])
    .optional(),
  pointsAt: field.id('The cylinder whose outlet or segment it then stands at, where that was looked at').optional(),
  approach: field.approach,
})

export const followerRead: LedgerKind<'followerRead'> = {
  inJob: keep(),
  onEngine: onlyOfJob,
  leansOnWheel: false,
  samples: [
    {
      kind: 'followerRead',
      followerId: 'pump',
      cylinderId: 'cyl-1',
      phase: 'found',
      by: 'lift',
      value: 0.64,
      plusMinus: 0.03,
      with: 'dial',
      bolts: 'tight',
      zeroed: 'back',
      startAdvance: 'off',
      approach: 'running',
    },
  ],
}
