import { Button, Checkbox, SegmentedControl, Textarea } from '@mantine/core'
import { useEffect, useRef } from 'react'
import type { WheelScale } from '@link-count/core/model'
import { ChainProgress } from '../ui/ChainProgress'
import { Figure } from '../ui/Figure'
import { Fold } from '../ui/Fold'
import {
  DegreesInput,
  LengthInput,
  useDegreesField,
  useLengthField,
  useWheelField,
  WheelInput,
  type DegreesField,
  type LengthField,
  type WheelField,
} from '../ui/fields'
import { Part, Shelf } from './Parts'

const any = { least: 1, most: 1000 }
const scales: readonly WheelScale[] = (['full', 'half', 'quarter'] as const).map((kind) => ({
  kind,
  rises: 'running',
  readToDeg: 1,
}))

/** Left, so that it says what is wrong with it. */
function useLeft<F extends { readonly leave: () => void }>(field: F): F {
  const leave = useRef(field.leave)
  useEffect(() => leave.current(), [])
  return field
}

const OneLength = ({ name, text }: { readonly name: string; readonly text: string }) => {
  const field: LengthField = useLeft(useLengthField(`parts:length-${name}`, any, text))
  return <LengthInput example="0.20 mm, 8 thou" field={field} label={`A length: ${name}`} />
}
const OneAngle = ({ name, text }: { readonly name: string; readonly text: string }) => {
  const field: DegreesField = useLeft(useDegreesField(`parts:degrees-${name}`, { least: -90, most: 90 }, text))
  return <DegreesInput field={field} label={`Degrees: ${name}`} />
}
const OnWheel = ({ scale, text }: { readonly scale: WheelScale; readonly text: string }) => {
  const field: WheelField = useLeft(useWheelField(`parts:wheel-${scale.kind}-${text}`, scale))
  return <WheelInput field={field} scale={scale} label={`On a wheel numbered ${scale.kind}`} />
}

export const FieldParts = () => (
  <Shelf title="Fields">
    {[
      ['empty', ''],
      ['taken', '4.8 mm'],
      ['in inches', '3/16 in'],
      ['without a unit', '4.8'],
      ['not a number', 'wide'],
      ['out of range', '2000 mm'],
    ].map(([name = '', text = '']) => (
      <OneLength key={name} name={name} text={text} />
    ))}
    {[
      ['empty', ''],
      ['taken', '3.4'],
      ['out of range', '120'],
    ].map(([name = '', text = '']) => (
      <OneAngle key={name} name={name} text={text} />
    ))}
    {scales.map((scale) => (
      <OnWheel key={scale.kind} scale={scale} text="" />
    ))}
    <Textarea label="Words" defaultValue="Left-hand thread" />
    <SegmentedControl data={['Chain on', 'Chain off']} />
    <Checkbox label="Plugs out, so that nothing is compressed when turned by hand" defaultChecked />
    <Part name="Buttons">
      <div className="row">
        <Button variant="filled">It is so</Button>
        <Button>Something else</Button>
        <Button variant="quiet">Rather not</Button>
        <Button disabled>Not yet</Button>
      </div>
    </Part>
    <Part name="A figure that opens">
      <Figure
        opened={{
          title: 'TDC',
          value: '350.5',
          plusMinus: '0.2°',
          readings: [{ label: 'Met turning the running way', value: '318.4' }],
          formula: 'The middle of the two.',
          source: 'A slider-crank is alike on both sides of its top.',
        }}
      >
        350.5 ± 0.2
      </Figure>
    </Part>
    <Fold title="A fold" note="two inside">
      <p>What is seldom wanted.</p>
    </Fold>
    <Part name="Steps of a job">
      <ChainProgress
        pins={(['done', 'read', 'passed', 'hand', 'open'] as const).map((state, i) => ({
          state,
          title: `Step ${i + 1}`,
        }))}
      />
    </Part>
  </Shelf>
)
