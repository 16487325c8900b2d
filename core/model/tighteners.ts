/** How a tensioner tightens its loop. */
export const TIGHTENER_KINDS = [
  'ratchet',
  'plunger',
  'shoe',
  'liveSpring',
  'eccentric',
  'roller',
  'selfAdjusting',
  'measuredSpring',
  'hub',
] as const
export type TightenerKind = (typeof TIGHTENER_KINDS)[number]

/** How a tensioner stands, as somebody said it. */
export const TENSIONER_STATES = [
  'extended',
  'heldBack',
  'fitted',
  'released',
  'loose',
  'set',
  'springOnly',
  'levered',
  'locked',
  'proven',
] as const
export type TensionerState = (typeof TENSIONER_STATES)[number]

/** Ways in which slack and tension are judged. */
export const SLACK_WAYS = ['toAndFro', 'oneWay', 'links', 'lift', 'twist', 'feel', 'pitch'] as const
export type SlackWay = (typeof SLACK_WAYS)[number]
