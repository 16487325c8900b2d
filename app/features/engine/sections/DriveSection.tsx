import { partsOf } from '@link-count/core/sheet'
import { PART_IDS as ids } from '@link-count/core/starters'
import { sheetLimits } from '@link-count/core/model'
import { patchLoop, patchMember, patchShaft, setPolar, withValue } from '../sheetChanges'
import { GuideArc } from './drive/GuideArc'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField, MmField, WholeField } from '../TrustedField'
import { Section } from './Section'

export function DriveSection() {
  const { sheet } = useSheetEditor()
  const member = (id: string) => partsOf(sheet).member(id)
  const loop = partsOf(sheet).loop(ids.chain)
  const cam = partsOf(sheet).shaft(ids.cam)
  const polar = cam?.position?.how === 'polar' ? cam.position : undefined
  return (
    <Section
      title="Chain and sprockets"
      lead="Counts alone are a full way of working. With the distances the drive is drawn to scale and the expected count is worked out."
    >
      <WholeField
        limits={sheetLimits('members', 'teeth')}
        id="crank-teeth"
        label="Teeth, crank sprocket"
        value={member(ids.crankSprocket)?.teeth}
        change={(value) => patchMember(ids.crankSprocket, (one) => withValue(one, 'teeth', value))}
      />
      <WholeField
        limits={sheetLimits('members', 'teeth')}
        id="cam-teeth"
        label="Teeth, cam sprocket"
        value={member(ids.camSprocket)?.teeth}
        change={(value) => patchMember(ids.camSprocket, (one) => withValue(one, 'teeth', value))}
      />
      <MmField
        example="9.525 mm, 3/8 in"
        limits={sheetLimits('loops', 'pitchMm')}
        id="pitch"
        label="Chain pitch"
        help="Over ten pitches, divided by ten: 9.525 mm is 3/8 in."
        value={loop?.pitchMm}
        change={(value) => patchLoop(ids.chain, (one) => withValue(one, 'pitchMm', value))}
      />
      <WholeField
        limits={sheetLimits('loops', 'pitches')}
        id="links"
        label="Pitches in the whole chain"
        help="Roller to roller is one pitch. Even, unless there is a cranked link."
        value={loop?.pitches}
        change={(value) => patchLoop(ids.chain, (one) => withValue(one, 'pitches', value))}
      />
      <MmField
        example="310 mm, 12 1/4 in"
        limits={sheetLimits('shafts', 'position', 'distanceMm')}
        id="distance"
        label="Crank centre to cam centre"
        value={polar?.distanceMm}
        change={(value) => patchShaft(ids.cam, setPolar('distanceMm', value))}
      />
      <DirectionField
        id="direction"
        label="Cam stands towards"
        help="From the crank, seen from the timing side: a clock face, or degrees clockwise from straight up."
        value={polar?.directionDeg}
        change={(value) => patchShaft(ids.cam, setPolar('directionDeg', value))}
      />
      <Tensioner />
      <Guide />
    </Section>
  )
}

function Tensioner() {
  const { sheet } = useSheetEditor()
  const tensioner = partsOf(sheet).member(ids.tensioner)
  if (!tensioner) return null
  return (
    <MmField
      example="70 mm"
      limits={sheetLimits('members', 'radiusMm')}
      id="tensioner-radius"
      label="Tensioner shoe, radius to the pin line"
      help="Where it stands is worked out from the slack it has to take up."
      value={tensioner.radiusMm}
      change={(value) => patchMember(ids.tensioner, (one) => withValue(one, 'radiusMm', value))}
    />
  )
}

function Guide() {
  const { sheet } = useSheetEditor()
  const guide = partsOf(sheet).member(ids.guide)
  if (!guide) return null
  const polar = guide.position?.how === 'polar' ? guide.position : undefined
  return (
    <>
      <MmField
        example="310 mm, 12 1/4 in"
        limits={sheetLimits('shafts', 'position', 'distanceMm')}
        id="guide-distance"
        label="Guide: crank centre to the centre of its curve"
        value={polar?.distanceMm}
        change={(value) => patchMember(ids.guide, setPolar('distanceMm', value))}
      />
      <DirectionField
        id="guide-direction"
        label="Guide: that centre lies towards"
        value={polar?.directionDeg}
        change={(value) => patchMember(ids.guide, setPolar('directionDeg', value))}
      />
      <MmField
        example="70 mm"
        limits={sheetLimits('members', 'radiusMm')}
        id="guide-radius"
        label="Guide: radius to the pin line"
        value={guide.radiusMm}
        change={(value) => patchMember(ids.guide, (one) => withValue(one, 'radiusMm', value))}
      />
      <GuideArc member={guide} />
    </>
  )
}
