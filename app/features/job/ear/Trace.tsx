import type { JudgedPluck } from '@link-count/core/ear'
import { fixed } from '@link-count/core/units'

const [WIDTH, HEIGHT] = [600, 120]

/** A sound as it went, its plucks told on it. */
export function Trace({
  samples,
  sampleRate,
  plucks = [],
}: {
  readonly samples: Float32Array
  readonly sampleRate: number
  readonly plucks?: readonly JudgedPluck[]
}) {
  const seconds = samples.length / sampleRate
  if (samples.length === 0) return null
  const x = (s: number) => (s / seconds) * WIDTH
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="trace"
      role="img"
      aria-label={`${fixed(seconds, 1)} s of sound, ${plucks.length} ${plucks.length === 1 ? 'pluck' : 'plucks'}`}
    >
      <path d={outline(samples)} />
      {plucks.map(({ pluck, used }, i) => (
        <g key={i} className={used ? 'used' : 'unused'}>
          <line x1={x(pluck.atS)} x2={x(pluck.atS)} y1={4} y2={HEIGHT - 4} />
          <text x={x(pluck.atS) + 5} y={16}>
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  )
}

/** The loudest either way in each column. */
function outline(samples: Float32Array): string {
  const columns = WIDTH / 2
  const per = Math.max(1, Math.floor(samples.length / columns))
  let loudest = 1e-6
  for (const one of samples) loudest = Math.max(loudest, Math.abs(one))
  let d = ''
  for (let c = 0; c < columns; c++) {
    let [low, high] = [0, 0]
    for (let i = c * per; i < Math.min(samples.length, (c + 1) * per); i++) {
      const value = samples[i] ?? 0
      if (value < low) low = value
      if (value > high) high = value
    }
    const y = (value: number) => HEIGHT / 2 - (value / loudest) * (HEIGHT / 2 - 6)
    d += `M${c * 2},${y(high).toFixed(1)}V${y(low).toFixed(1)}`
  }
  return d
}

/** How strong what is heard now is at each pitch, to 500 Hz. */
export function SpectrumNow({ samples, sampleRate }: { readonly samples: Float32Array; readonly sampleRate: number }) {
  const bars = strengths(samples, sampleRate)
  return (
    <svg viewBox={`0 0 ${WIDTH} 60`} className="trace" aria-hidden="true">
      {bars.map((value, i) => (
        <rect
          key={i}
          x={(i * WIDTH) / bars.length}
          width={WIDTH / bars.length - 1}
          y={58 - 56 * value}
          height={56 * value + 1}
        />
      ))}
    </svg>
  )
}

const BARS = 50
const TO_HZ = 500

/** The last fifth of a second, pitch by pitch. */
function strengths(samples: Float32Array, sampleRate: number): readonly number[] {
  const last = samples.subarray(Math.max(0, samples.length - Math.round(sampleRate / 5)))
  const step = Math.max(1, Math.floor(sampleRate / 2000))
  const powers = Array.from({ length: BARS }, (_, k) => {
    const w = (2 * Math.PI * ((k + 1) * TO_HZ)) / BARS / sampleRate
    let [re, im] = [0, 0]
    for (let i = 0; i < last.length; i += step) {
      re += (last[i] ?? 0) * Math.cos(w * i)
      im += (last[i] ?? 0) * Math.sin(w * i)
    }
    return Math.hypot(re, im)
  })
  const most = Math.max(...powers, 1e-9)
  return powers.map((power) => power / most)
}
