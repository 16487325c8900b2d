import { Button } from '@mantine/core'
import { linkMap, loopKinds, type Section } from '@link-count/core/drive'
import type { Loop } from '@link-count/core/model'
import { linkMapDrawing, tilePages } from '@link-count/core/paper'
import { fixed } from '@link-count/core/units'
import { selectEngine } from '../../../domain/selectors'
import { useAppSelector } from '../../../store'
import { download } from '../../../ui/download'
import { fileName } from '../../../ui/fileName'
import { useSheetEditor } from '../SheetEditor'
import { inSentence, nounsOf } from '../../../ui/wording'
import './LinkMap.css'

const PX_PER_PITCH = 11

/** The whole loop unrolled: every pitch numbered from the driver's mark, where each mark comes, so where paint belongs on a blank one. */
export function LinkMap({
  loop,
  sections,
  pitches,
}: {
  readonly loop: Loop
  readonly sections: readonly Section[]
  readonly pitches: number | undefined
}) {
  const { engineId } = useSheetEditor()
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  const places = linkMap(sections)
  if (!places || !pitches || places.length < 2) return null
  const { loop: noun, link: unit, links } = nounsOf(loop)
  const width = pitches * PX_PER_PITCH + 30
  const print = async () => {
    const { pdfOfPages } = await import('../../../ui/paper/pdfOfPages')
    const title = `${engine?.name ?? ''}, ${loop.name}: link map`
    const name = fileName(engine?.name ?? '', 'link-map-a4')
    download(`${name}.pdf`, pdfOfPages(tilePages(linkMapDrawing(places, pitches, loop.kind), 'A4', title), title))
  }
  return (
    <details className="section wide-field">
      <summary>
        Link map <span className="soft">where to paint a blank {noun}</span>
      </summary>
      <div className="section-body stack">
        <p>
          {places
            .map(({ nearest, offPitches, ...place }) => ({ nearest, offPitches, name: placeName(place) }))
            .map(({ name, nearest, offPitches }) =>
              nearest === 0 && Math.abs(offPitches) < 0.01
                ? `${name}: ${unit} 0, where counting starts`
                : `${name}: ${unit} ${fixed(nearest, nearest % 1 === 0 ? 0 : 1)}${Math.abs(offPitches) > 0.15 ? ` (${fixed(Math.abs(offPitches), 1)} ${offPitches > 0 ? 'on' : 'back'})` : ''}`,
            )
            .join('. ')}
          . Counted along the travel.
        </p>
        <div className="row">
          <Button variant="default" onClick={() => void print()}>
            Link map on paper, A4
          </Button>
        </div>
        <div
          className="paper-scroll"
          tabIndex={0}
          role="region"
          aria-label={`Link map of the ${inSentence(loop.name)}`}
        >
          <svg width={width} height="92" role="img" aria-label={`${pitches} ${links} unrolled`} className="link-map">
            {loopKinds[loop.kind].made === 'band' ? <BeltStrip pitches={pitches} /> : <ChainStrip pitches={pitches} />}
            <Numbers pitches={pitches} />
            {places.map(({ markId, name, atPitches }, i) => (
              <g key={markId} transform={`translate(${15 + atPitches * PX_PER_PITCH} 0)`}>
                <path d="M0 38l-6 -10h12z" className="link-mark" />
                <text
                  x={i === 0 ? -6 : 0}
                  y={i % 2 === 0 ? 12 : 24}
                  textAnchor={i === 0 ? 'start' : 'middle'}
                  className="link-name"
                >
                  {name}
                </text>
              </g>
            ))}
          </svg>
        </div>
      </div>
    </details>
  )
}

/** Where a mark does not stand well on the wrap, the tooth that does is painted for. */
const placeName = ({ name, teeth }: { readonly name: string; readonly teeth: number }) =>
  teeth === 0 ? name : `${name}, ${Math.abs(teeth)} teeth ${teeth > 0 ? 'on' : 'back'} along the travel`

interface StripProps {
  readonly pitches: number
}
const atPitch = (k: number) => 15 + k * PX_PER_PITCH

const ChainStrip = ({ pitches }: StripProps) => (
  <>
    {Array.from({ length: pitches }, (_, k) => (
      <rect
        key={k}
        x={atPitch(k)}
        y={k % 2 === 0 ? 42 : 44}
        width={PX_PER_PITCH}
        height={k % 2 === 0 ? 12 : 8}
        className="link-plate"
      />
    ))}
    {Array.from({ length: pitches + 1 }, (_, k) => (
      <circle key={k} cx={atPitch(k)} cy="48" r="2.6" className="link-pin" />
    ))}
  </>
)

/** Its back above, a tooth below at every pitch. */
const BeltStrip = ({ pitches }: StripProps) => (
  <>
    <rect x={atPitch(0)} y="41" width={pitches * PX_PER_PITCH} height="6" className="link-plate" />
    {Array.from({ length: pitches + 1 }, (_, k) => (
      <rect
        key={k}
        x={atPitch(k) - PX_PER_PITCH * 0.27}
        y="47"
        width={PX_PER_PITCH * 0.54}
        height="8"
        className="link-plate"
      />
    ))}
  </>
)

const Numbers = ({ pitches }: StripProps) => (
  <>
    {Array.from({ length: Math.floor(pitches / 5) + 1 }, (_, i) => (
      <text key={i} x={atPitch(i * 5)} y="72" textAnchor="middle" className="link-number">
        {i * 5}
      </text>
    ))}
  </>
)
