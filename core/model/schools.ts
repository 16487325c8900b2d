import * as z from 'zod'
import * as field from './fields'
import { STEP_KINDS } from './stepKinds'
import { idSchema, nameSchema, timeSchema } from './primitives'
import { PURPOSES } from './purposes'

/* Where good mechanics differ: each question with its answers. A build sheet may have one of each, and a job another. */

export const wearBand = field.group({
  fromDeg: field.between('Late by so much or more, crank degrees', 0, 60),
  says: nameSchema.describe('What is done then'),
})

export const schoolsSchema = z
  .strictObject({
    lashSet: field.oneOf('When lash is taken and set', ['beforeAndAfter', 'before', 'after']).optional(),
    tdcBy: field.oneOf('How true TDC is proved', ['stop', 'dial', 'feel', 'marks']).optional(),
    reversing: field
      .oneOf('Whether it may be turned against its running direction', ['never', 'fewDegrees', 'free'])
      .optional(),
    trusts: field
      .oneOf('What a camshaft is set by: its own lobes, flats and slots, or the marks', ['cam', 'marks'])
      .optional(),
    tensionBy: field
      .oneOf('What tension is judged by', ['play', 'feel', 'links', 'spring', 'pitch', 'springAlone'])
      .optional(),
    wearBy: field.oneOf('Whose bands a late camshaft is judged by', ['roadDiesel', 'marine', 'own']).optional(),
    ownBands: z
      .strictObject({
        bands: z.array(wearBand).min(1).max(8).describe('In order, the first from 0'),
        source: nameSchema.describe('Where they come from'),
      })
      .optional()
      .describe('Bands of this workshop'),
    turns: field.whole('How many full turns prove it', 2, 20).optional(),
    dryRun: field
      .oneOf('Whether it is laid and turned a little once before it is laid for good', ['no', 'yes'])
      .optional(),
    followers: field
      .oneOf('Whether pump and spark are set last, or the pump before its chain or belt goes on', [
        'last',
        'beforeLoop',
      ])
      .optional(),
    loopGoesOn: field.oneOf('Whether the chain goes on whole, or is opened at a link', ['whole', 'opened']).optional(),
  })
  .describe('How it is done here, where good mechanics differ; missing = nobody chose')

/** A run sheet as somebody does it. */
export const templateSchema = z.strictObject({
  id: idSchema.describe('This template'),
  name: nameSchema.describe('What it is called here'),
  at: timeSchema.describe('When it was kept, ISO 8601, UTC'),
  purpose: field.oneOf('What it was made for', PURPOSES),
  kinds: z.array(z.enum(STEP_KINDS)).min(1).max(40).describe('Its kinds of step, in order'),
  schools: schoolsSchema.optional().describe('How it is done then'),
  anyEngine: field.yesNo('Offered on every engine, and not on its own alone'),
})

export type ChosenSchools = z.output<typeof schoolsSchema>
export type Template = z.output<typeof templateSchema>
