import { cylindersRead, followerOfJob } from '@link-count/core/followers'
import type { Phase } from '@link-count/core/model'
import type { Step } from '@link-count/core/runSheet'
import { againstWords, followerFigure, trimmedWords } from '../../../../ui/wording'
import type { StepView } from '../stepView'
import { FollowerStep } from './FollowerStep'

/** A step of fuel or spark: as found, set, or read with its bolts tight. */
const stepOf = (phase: Phase): StepView => ({
  Panel: ({ step }: { readonly step: Step }) => <FollowerStep step={step} phase={phase} />,
  result: ({ targetIds }, { sheet, state }) => {
    const follower = sheet.followers?.find(({ id }) => id === targetIds[0])
    if (!follower) return undefined
    const cylinders = cylindersRead(follower)
    const readings = cylinders.flatMap((cylinderId) => {
      const { found, now } = followerOfJob(sheet, state, follower, cylinderId)
      const read = phase === 'found' ? found : now
      if (!read || (phase === 'left' && read.entry.bolts !== 'tight')) return []
      if (phase === 'set' && read.entry.phase === 'found' && read.against?.is !== 'in') return []
      return [read]
    })
    const figures = readings.map(({ entry: { by, value } }) => followerFigure(by, value))
    const against = readings.flatMap((read) => (phase !== 'found' && read.against ? [read.against] : []))
    const [only] = against
    if (!only) return figures.join(' · ')
    return cylinders.length > 1 ? trimmedWords(against, cylinders.length) : `${figures.join()}, ${againstWords(only)}`
  },
})

export const pumpFound = stepOf('found')
export const pumpSet = stepOf('set')
export const pumpTight = stepOf('left')
export const [sparkFound, sparkSet, sparkTight] = [pumpFound, pumpSet, pumpTight]
