export interface DemoMark {
  readonly id: string
  readonly name: string
  readonly where: string
  readonly cutFor: 'tdc' | 'spark' | 'casting'
  /** Degrees after TDC that it claims. */
  readonly claim?: number
}

/** The workshop of a small museum on a tidal island that keeps its machines running. Places, machines and figures are invented. */
export interface DemoEngine {
  readonly id: string
  readonly name: string
  readonly description: string
  readonly cylinders: number
  readonly layout?: 'inLine' | 'vee'
  /** Directions of the banks, as they are typed. */
  readonly banks?: readonly string[]
  /** Crankpins of the cylinders after the first one's. */
  readonly crankpins?: readonly number[]
  readonly firingOrder?: string
  /** Typed firing TDCs; what axes, crankpins and order settle is left out. */
  readonly firingDeg: readonly number[]
  readonly running?: 'clockwise' | 'anticlockwise'
  readonly sides: readonly [timing: string, opposite: string]
  readonly interference: 'yes' | 'no' | 'unknown'
  readonly fuel: 'petrol' | 'paraffin' | 'diesel' | 'gas'
  readonly starting: 'battery' | 'hand' | 'air'
  readonly stroke?: string
  readonly rod?: string
  readonly pinOffset?: string
  readonly plugDepth?: string
  readonly rim?: string
  readonly rimMarks?: readonly DemoMark[]
  readonly crankTeeth: number
  readonly camTeeth: number
  readonly pitch?: string
  readonly links?: number
  readonly distance?: string
  readonly direction?: string
  readonly tensionerRadius?: string
  readonly tensioner: boolean
  readonly guide?: { readonly distance: string; readonly direction: string; readonly radius: string }
  /** Clock face or degrees clockwise from straight up, seen from the timing side, in the pose. */
  readonly crankMark?: string
  readonly camMark?: string
  readonly camMarkMeets: string
  readonly inlet?: readonly [opens: number, closes: number]
  readonly exhaust?: readonly [opens: number, closes: number]
  readonly checkingLift?: string
  readonly lash?: readonly [inlet: string, exhaust: string]
  readonly tolerance?: number
}

export const demoEngines: readonly DemoEngine[] = [
  {
    id: 'tractor',
    name: 'Ploughing tractor, engine 2',
    description: '3-cylinder diesel, one chain',
    cylinders: 3,
    firingDeg: [0, 480, 240],
    running: 'clockwise',
    sides: ['timing side', 'flywheel side'],
    interference: 'yes',
    fuel: 'diesel',
    starting: 'battery',
    stroke: '112 mm',
    rod: '206 mm',
    crankTeeth: 19,
    camTeeth: 38,
    pitch: '9.525 mm',
    links: 72,
    distance: '201.5 mm',
    direction: '4',
    tensionerRadius: '64 mm',
    tensioner: true,
    crankMark: '112',
    camMark: '21',
    camMarkMeets: 'the line on the head',
    inlet: [11, 46],
    exhaust: [48, 13],
    checkingLift: '1 mm',
    lash: ['.012 in', '.014 in'],
    tolerance: 3,
  },
  {
    id: 'sidecar',
    name: 'Sidecar outfit',
    description: 'V-twin of 50°, petrol, one throw',
    cylinders: 2,
    layout: 'vee',
    banks: ['-25', '25'],
    crankpins: [0, 0],
    firingOrder: '1-2',
    firingDeg: [0, 310],
    running: 'anticlockwise',
    sides: ['chain side', 'dynamo side'],
    interference: 'yes',
    fuel: 'petrol',
    starting: 'hand',
    stroke: '76 mm',
    rod: '148 mm',
    plugDepth: '31.5 mm',
    rim: '534 mm',
    rimMarks: [
      { id: 'mark-line', name: 'Long line', where: 'dynamo pulley', cutFor: 'tdc', claim: 0 },
      { id: 'mark-seam', name: 'Seam', where: 'dynamo pulley', cutFor: 'casting' },
    ],
    crankTeeth: 18,
    camTeeth: 36,
    pitch: '8 mm',
    links: 92,
    distance: '256.8 mm',
    direction: '-9',
    tensionerRadius: '90 mm',
    tensioner: true,
    crankMark: '-112',
    camMark: '-18.2',
    camMarkMeets: 'the rib of the cam box',
    inlet: [24, 58],
    exhaust: [60, 22],
    checkingLift: '.020 in',
    lash: ['4 thou', '6 thou'],
    tolerance: 2,
  },
  {
    id: 'lifeboat',
    name: 'Lifeboat, starboard engine',
    description: '4-cylinder paraffin, one chain, guided',
    cylinders: 4,
    crankpins: [0, 180, 180, 0],
    firingOrder: '1-3-4-2',
    firingDeg: [0],
    running: 'clockwise',
    sides: ['forward end', 'gearbox end'],
    interference: 'no',
    fuel: 'paraffin',
    starting: 'hand',
    stroke: '5 in',
    rod: '9 1/4 in',
    rim: '1580 mm',
    rimMarks: [
      { id: 'mark-brass', name: 'Brass line', where: 'flywheel', cutFor: 'tdc', claim: 0 },
      { id: 'mark-yellow', name: 'Yellow notch', where: 'flywheel', cutFor: 'spark', claim: -20 },
    ],
    crankTeeth: 21,
    camTeeth: 42,
    pitch: '1/2 in',
    links: 84,
    distance: '327 mm',
    direction: '-6',
    tensioner: true,
    tensionerRadius: '120 mm',
    guide: { distance: '252 mm', direction: '53.6', radius: '160 mm' },
    crankMark: '100',
    camMark: '14.4',
    camMarkMeets: 'the brass pointer',
    inlet: [8, 44],
    exhaust: [46, 10],
    checkingLift: '1/32 in',
    lash: ['.010 in', '.012 in'],
    tolerance: 3,
  },
  {
    id: 'searchlight',
    name: 'Searchlight generator',
    description: '4-cylinder petrol, one chain, no tensioner',
    cylinders: 4,
    firingDeg: [0, 180, 540, 360],
    running: 'clockwise',
    sides: ['fan end', 'generator end'],
    interference: 'unknown',
    fuel: 'petrol',
    starting: 'battery',
    crankTeeth: 20,
    camTeeth: 40,
    pitch: '9.525 mm',
    links: 62,
    distance: '148.8 mm',
    direction: '-28',
    tensioner: false,
    crankMark: '85',
    camMark: '18.6',
    camMarkMeets: 'the edge of the case',
    inlet: [5, 40],
    exhaust: [45, 8],
    lash: ['0.3 mm', '0.35 mm'],
  },
  {
    id: 'tourer',
    name: 'Tourer of 1934',
    description: '4-cylinder petrol, overhead cam',
    cylinders: 4,
    firingDeg: [0, 540, 180, 360],
    running: 'clockwise',
    sides: ['radiator end', 'flywheel end'],
    interference: 'yes',
    fuel: 'petrol',
    starting: 'battery',
    stroke: '96 mm',
    rod: '178 mm',
    pinOffset: '-1 mm',
    crankTeeth: 23,
    camTeeth: 46,
    pitch: '9.525 mm',
    links: 106,
    distance: '336.6 mm',
    direction: '2',
    tensionerRadius: '95 mm',
    tensioner: true,
    crankMark: '100',
    camMark: '22',
    camMarkMeets: 'the notch of the bearing cap',
    inlet: [14, 52],
    exhaust: [54, 16],
    checkingLift: '0.5 mm',
    lash: ['0.25 mm', '0.3 mm'],
    tolerance: 2,
  },
  {
    id: 'locomotive',
    name: 'Peat railway locomotive',
    description: '2-cylinder diesel, counted only so far',
    cylinders: 2,
    firingDeg: [0],
    sides: ['front', 'cab end'],
    interference: 'unknown',
    fuel: 'diesel',
    starting: 'air',
    crankTeeth: 24,
    camTeeth: 48,
    links: 96,
    tensioner: true,
    camMarkMeets: 'its pointer',
  },
]
