import type { Topology } from '@link-count/core/starters'

export interface DemoDrive {
  readonly shape: Topology
  readonly teeth: Readonly<Record<string, number>>
  /** Distance from the crank and direction, as typed. */
  readonly places?: Readonly<Record<string, readonly [distance: string, direction: string]>>
  readonly radii?: Readonly<Record<string, string>>
  readonly pitches?: Readonly<Record<string, string>>
  readonly links?: Readonly<Record<string, number>>
  /** Places of couplings, by the shaft they drive. */
  readonly splines?: Readonly<Record<string, number>>
  /** Where the marks of wheels point in the pose. */
  readonly marks?: Readonly<Record<string, string>>
}

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
  readonly layout?: 'inLine' | 'vee' | 'flat'
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
  readonly crankTeeth?: number
  readonly camTeeth?: number
  /** A drive of another shape: teeth, radii and places by part, pitches and links by loop. */
  readonly drive?: DemoDrive
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
  readonly topLift?: readonly [inlet: string, exhaust: string]
  /** Where the lobes point at full lift, hours seen from the timing side. */
  readonly fullLiftClock?: readonly [inlet: number, exhaust: number]
  /** Places to the turn of hubs, by wheel. */
  readonly hubs?: Readonly<Record<string, number>>
  readonly school?: 'roadDiesel' | 'marine'
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
    drive: {
      shape: 'twoChainsByIdlers',
      teeth: {
        pinion: 24,
        'gear-a': 48,
        'gear-b': 48,
        'sprocket-a': 20,
        'sprocket-b': 20,
        'cam-sprocket-a': 20,
        'cam-sprocket-b': 20,
      },
      places: {
        'idler-a': ['78 mm', '-70'],
        'idler-b': ['78 mm', '70'],
        'cam-a': ['303.3 mm', '-33'],
        'cam-b': ['303.3 mm', '33'],
      },
      radii: { 'tensioner-a': '60 mm', 'tensioner-b': '60 mm' },
      pitches: { 'chain-a': '8 mm', 'chain-b': '8 mm' },
      links: { 'chain-a': 82, 'chain-b': 82 },
      marks: { 'sprocket-a': '90', 'sprocket-b': '150', 'cam-sprocket-a': '30', 'cam-sprocket-b': '54.5' },
    },
    tensioner: true,
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
    description: '4-cylinder petrol, two camshafts over two chains',
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
    drive: {
      shape: 'twoStage',
      teeth: {
        'crank-sprocket': 21,
        'middle-large': 28,
        'middle-small': 18,
        'exhaust-sprocket': 27,
        'inlet-sprocket': 27,
      },
      places: { middle: ['168 mm', '-6'], 'exhaust-cam': ['435.5 mm', '-16'], 'inlet-cam': ['433.5 mm', '10'] },
      radii: { tensioner: '70 mm' },
      pitches: { lower: '9.525 mm', upper: '3/8 in' },
      links: { lower: 60, upper: 102 },
      marks: {
        'crank-sprocket': '110',
        'middle-large': '60.7',
        'middle-small': '130',
        'exhaust-sprocket': '-16.4',
        'inlet-sprocket': '43.3',
      },
    },
    tensioner: true,
    camMarkMeets: 'the notch of the bearing cap',
    inlet: [14, 52],
    exhaust: [54, 16],
    checkingLift: '0.5 mm',
    topLift: ['8.4 mm', '8.2 mm'],
    fullLiftClock: [5, 7],
    hubs: { 'exhaust-sprocket': 25, 'inlet-sprocket': 25 },
    lash: ['0.25 mm', '0.3 mm'],
    tolerance: 2,
  },
  {
    id: 'locomotive',
    name: 'Peat railway locomotive',
    description: '2-cylinder diesel, gear and chain, counted only so far',
    cylinders: 2,
    firingDeg: [0],
    sides: ['front', 'cab end'],
    interference: 'unknown',
    fuel: 'diesel',
    starting: 'air',
    drive: {
      shape: 'gearThenChain',
      teeth: { pinion: 24, 'half-gear': 48, 'half-sprocket': 21, 'cam-sprocket': 21 },
      links: { chain: 68 },
    },
    tensioner: true,
    camMarkMeets: 'its pointer',
  },
  {
    id: 'launch',
    name: 'Survey launch',
    description: 'V6 petrol, one belt round four camshafts',
    cylinders: 6,
    layout: 'vee',
    banks: ['-30', '30'],
    crankpins: [0, 240, 120, 60, 300, 180],
    firingOrder: '1-2-3-4-5-6',
    firingDeg: [0],
    running: 'clockwise',
    sides: ['belt end', 'gearbox end'],
    interference: 'yes',
    fuel: 'petrol',
    starting: 'battery',
    stroke: '79 mm',
    rod: '146 mm',
    drive: {
      shape: 'fourCamBelt',
      teeth: { 'crank-pulley': 22, 'pulley-ea': 44, 'pulley-ia': 44, 'pulley-ib': 44, 'pulley-eb': 44 },
      places: {
        'exhaust-a': ['330 mm', '-50'],
        'inlet-a': ['345 mm', '-27'],
        idler: ['210 mm', '0'],
        'inlet-b': ['345 mm', '27'],
        'exhaust-b': ['330 mm', '50'],
      },
      radii: { tensioner: '28 mm', idler: '30 mm' },
      pitches: { belt: '9.525 mm' },
      links: { belt: 193 },
      marks: {
        'crank-pulley': '170',
        'pulley-ea': '-76.2',
        'pulley-ia': '-20.7',
        'pulley-ib': '16.3',
        'pulley-eb': '80',
      },
    },
    tensioner: true,
    camMarkMeets: 'the line on the backplate',
    inlet: [6, 42],
    exhaust: [44, 8],
    lash: ['0.2 mm', '0.3 mm'],
    tolerance: 2,
  },
  {
    id: 'fire-pump',
    name: 'Fire pump',
    description: 'flat twin, petrol, a chain and splined camshafts',
    cylinders: 2,
    layout: 'flat',
    crankpins: [0, 180],
    firingOrder: '1-2',
    firingDeg: [0],
    running: 'clockwise',
    sides: ['chain side', 'pump side'],
    interference: 'no',
    fuel: 'petrol',
    starting: 'hand',
    stroke: '68 mm',
    drive: {
      shape: 'splinedBanks',
      teeth: { 'crank-sprocket': 20, 'half-sprocket': 40 },
      places: { middle: ['156 mm', '0'] },
      radii: { tensioner: '60 mm' },
      pitches: { chain: '9.525 mm' },
      links: { chain: 64 },
      splines: { 'cam-a': 24, 'cam-b': 24 },
      marks: { 'crank-sprocket': '135', 'half-sprocket': '19.7', 'hub-a': '0', 'hub-b': '0' },
    },
    tensioner: true,
    camMarkMeets: 'the arrow of the case',
    lash: ['0.15 mm', '0.2 mm'],
  },
]
