import { inSentence } from '../ui/wording'
import { useState, type ReactNode } from 'react'
import { linkMap, readDrive } from '@link-count/core/drive'
import { linkMapDrawing } from '@link-count/core/paper'
import { ringOfCams } from '@link-count/core/testing/ringOfCams'
import { firstJob, degreeWheel, madeSafe, stops } from '@link-count/core/testing/oneChain'
import { demoRecords } from '../demo/demoRecords'
import { CrankReadout } from '../features/job/bench/CrankReadout'
import { DegreeWheel } from '../features/job/bench/DegreeWheel'
import { Face } from '../features/job/bench/Face'
import { LobeClocks } from '../features/job/bench/LobeClocks'
import { Strip } from '../features/job/bench/Strip'
import { useScene } from '../features/job/bench/useScene'
import ValvesView from '../features/job/bench/ValvesView'
import { BenchProvider, useBench } from '../features/job/JobContext'
import { makeDrawnCrank } from '../store'
import { viewOf } from '../testing/viewOf'
import { FaceStill } from '../ui/face'
import { StillPicture } from '../ui/face/StillPicture'
import { Logo } from '../ui/Logo'
import { PaperPreview } from '../ui/paper/PaperPreview'
import { Part, Shelf } from './Parts'

const sheets = demoRecords.sheets.filter(({ shafts, version }) => shafts.length > 1 && version === 1)

const rings = (['rollerChain', 'invertedToothChain', 'toothedBelt'] as const).flatMap((kind) =>
  [1, 4, 12].map((cams) => [`${kind} round ${cams} cams`, ringOfCams(cams, kind)] as const),
)

/** A bench that shows and takes nothing. */
function OnBench({ sheet, children }: { readonly sheet?: (typeof sheets)[number]; readonly children: ReactNode }) {
  const [drawn] = useState(() => makeDrawnCrank(40))
  const [view] = useState(() =>
    sheet
      ? viewOf(madeSafe, { ...sheet, id: firstJob.sheetId })
      : viewOf([...madeSafe, degreeWheel, stops(318.4, 22.6)]),
  )
  const nothing = async () => undefined
  return (
    <BenchProvider
      value={{
        view,
        side: 'timing',
        drawn,
        say: nothing,
        changeSheet: nothing,
        strike: () => undefined,
        showStep: () => undefined,
      }}
    >
      {children}
    </BenchProvider>
  )
}

const FaceHere = () => <Face scene={useScene(useBench().view)} counted={undefined} />

export const DrawingParts = () => (
  <>
    <Shelf title="Drives as still pictures">
      <Part name="the sign">
        <Logo />
      </Part>
      <Part name="nothing known">
        <StillPicture drawing={undefined} width={240} height={200} />
      </Part>
      {rings.map(([name, sheet]) => (
        <Part key={name} name={name}>
          <FaceStill sheet={sheet} width={240} height={200} />
        </Part>
      ))}
      {sheets.map((sheet) => (
        <Part key={sheet.id} name={sheet.id}>
          <FaceStill sheet={sheet} width={240} height={200} />
        </Part>
      ))}
    </Shelf>
    {sheets.map((sheet) => (
      <OnBench key={sheet.id} sheet={sheet}>
        <Part name={`The Face of ${sheet.id}`}>
          <div className="large">
            <FaceHere />
          </div>
        </Part>
        <Part name="its strip">
          <Strip />
        </Part>
        {sheet.loops.map((loop) => {
          const places = linkMap(readDrive(sheet).sections(loop))
          return places && loop.pitches ? (
            <Part key={loop.id} name={`link map of the ${inSentence(loop.name)}`}>
              <PaperPreview drawing={linkMapDrawing(places, loop.pitches.value, loop.kind)} label={loop.name} />
            </Part>
          ) : null
        })}
      </OnBench>
    ))}
    <OnBench>
      <Part name="The degree wheel">
        <div className="large">
          <DegreeWheel />
        </div>
      </Part>
      <Part name="The crank’s readout">
        <CrankReadout />
      </Part>
    </OnBench>
    {sheets
      .filter(({ cams }) => cams.some(({ opensDeg, topLiftMm }) => opensDeg && topLiftMm))
      .map((sheet) => (
        <OnBench key={sheet.id} sheet={sheet}>
          <Part name="Valves against the crank">
            <div className="large">
              <ValvesView />
            </div>
          </Part>
          <Part name="Lobes as clock faces">
            <LobeClocks cams={sheet.cams} />
          </Part>
        </OnBench>
      ))}
  </>
)
