import { byBank, crank, loop, member, mesh, oneCam, shaft, spline, type DriveShape } from './parts'

/* Shapes with gears, bevels or shafts in the way. */

export const gearShapes = {
  gearThenChain: {
    shaftOf: oneCam,
    parts: {
      shafts: [
        crank,
        shaft('half', 'Half-speed shaft', 'intermediate', -1, 2),
        shaft('camshaft', 'Camshaft', 'cam', -1, 2),
      ],
      members: [
        member('pinion', 'Crank pinion', 'gear', 'crank'),
        member('half-gear', 'Half-speed gear', 'gear', 'half'),
        member('half-sprocket', 'Half-speed sprocket', 'sprocket', 'half'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('cam-sprocket', 'Cam sprocket', 'sprocket', 'camshaft'),
      ],
      loops: [loop('chain', 'Chain', 'rollerChain', 'half-sprocket', '-tensioner', 'cam-sprocket')],
      couplings: [mesh('pinion', 'half-gear')],
    },
  },
  gearPair: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('camshaft', 'Camshaft', 'cam', -1, 2)],
      members: [member('pinion', 'Crank gear', 'gear', 'crank'), member('cam-gear', 'Cam gear', 'gear', 'camshaft')],
      loops: [],
      couplings: [mesh('pinion', 'cam-gear')],
    },
  },
  gearsOnly: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('idle', 'Idler shaft', 'idler', -1, 1), shaft('camshaft', 'Camshaft', 'cam', 1, 2)],
      members: [
        member('pinion', 'Crank gear', 'gear', 'crank'),
        member('idle-gear', 'Idler gear', 'gear', 'idle'),
        member('cam-gear', 'Cam gear', 'gear', 'camshaft'),
      ],
      loops: [],
      couplings: [mesh('pinion', 'idle-gear'), mesh('idle-gear', 'cam-gear')],
    },
  },
  gearTower: {
    shaftOf: byBank,
    parts: {
      shafts: [
        crank,
        shaft('idle', 'Idler shaft', 'idler', -1, 1),
        shaft('middle', 'Half-speed shaft', 'intermediate', 1, 2),
        shaft('cam-a', 'First camshaft', 'cam', 1, 2),
        shaft('cam-b', 'Second camshaft', 'cam', 1, 2),
      ],
      members: [
        member('pinion', 'Crank gear', 'gear', 'crank'),
        member('idle-gear', 'Idler gear', 'gear', 'idle'),
        member('half-gear', 'Half-speed gear', 'gear', 'middle'),
        member('hub-a', 'First camshaft end', 'hub', 'cam-a'),
        member('hub-b', 'Second camshaft end', 'hub', 'cam-b'),
      ],
      loops: [],
      couplings: [
        mesh('pinion', 'idle-gear'),
        mesh('idle-gear', 'half-gear'),
        { ...spline('middle', 'cam-a'), kind: 'quill' },
        { ...spline('middle', 'cam-b'), kind: 'quill' },
      ],
    },
  },
  shaftAndBevels: {
    shaftOf: oneCam,
    parts: {
      shafts: [
        crank,
        shaft('upright', 'Upright shaft', 'intermediate', -1, 1),
        shaft('camshaft', 'Camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-bevel', 'Crank bevel', 'gear', 'crank'),
        member('lower-bevel', 'Lower bevel', 'gear', 'upright'),
        member('upper-bevel', 'Upper bevel', 'gear', 'upright'),
        member('cam-bevel', 'Cam bevel', 'gear', 'camshaft'),
      ],
      loops: [],
      couplings: [mesh('crank-bevel', 'lower-bevel'), mesh('upper-bevel', 'cam-bevel')],
    },
  },
  camRing: {
    shaftOf: oneCam,
    parts: {
      shafts: [crank, shaft('lay', 'Layshaft', 'idler', -1, 2), shaft('camshaft', 'Cam ring', 'cam', 1, 2)],
      members: [
        member('pinion', 'Crank gear', 'gear', 'crank'),
        member('lay-large', 'Large layshaft gear', 'gear', 'lay'),
        member('lay-small', 'Small layshaft gear', 'gear', 'lay'),
        member('ring-gear', 'Cam ring gear', 'gear', 'camshaft'),
      ],
      loops: [],
      couplings: [mesh('pinion', 'lay-large'), mesh('lay-small', 'ring-gear')],
    },
  },
  splinedBanks: {
    shaftOf: byBank,
    parts: {
      shafts: [
        crank,
        shaft('middle', 'Half-speed shaft', 'intermediate', 1, 2),
        shaft('cam-a', 'First camshaft', 'cam', 1, 2),
        shaft('cam-b', 'Second camshaft', 'cam', 1, 2),
      ],
      members: [
        member('crank-sprocket', 'Crank sprocket', 'sprocket', 'crank'),
        member('tensioner', 'Tensioner', 'tensioner'),
        member('half-sprocket', 'Half-speed sprocket', 'sprocket', 'middle'),
        member('hub-a', 'First camshaft end', 'hub', 'cam-a'),
        member('hub-b', 'Second camshaft end', 'hub', 'cam-b'),
      ],
      loops: [loop('chain', 'Chain', 'rollerChain', 'crank-sprocket', '-tensioner', 'half-sprocket')],
      couplings: [spline('middle', 'cam-a'), spline('middle', 'cam-b')],
    },
  },
} satisfies Readonly<Record<string, DriveShape>>
