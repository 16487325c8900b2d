import { BELT, CHAIN, type LoopStuff } from './loopShapes'
import { banks, byBank, crank, loop, member, mesh, shaft, type DriveShape } from './parts'

/* Shapes with a loop of its own for each of two banks. */

const loopEachBank = ({ kind, wheel, id }: LoopStuff): DriveShape => ({
  shaftOf: byBank,
  parts: {
    shafts: [crank, ...banks(({ of, first }) => shaft(`cam-${of}`, `${first} camshaft`, 'cam', 1, 2))],
    members: [
      ...banks(({ of, first }) => member(`crank-${of}`, `${first} crank ${wheel}`, wheel, 'crank')),
      ...banks(({ of, first }) => member(`tensioner-${of}`, `${first} tensioner`, 'tensioner')),
      ...banks(({ of, first }) => member(`cam-${wheel}-${of}`, `${first} cam ${wheel}`, wheel, `cam-${of}`)),
    ],
    loops: banks(({ of, first }) =>
      loop(`${id}-${of}`, `${first} ${id}`, kind, `crank-${of}`, `-tensioner-${of}`, `cam-${wheel}-${of}`),
    ),
    couplings: [],
  },
})

export const bankShapes = {
  chainEachBank: loopEachBank(CHAIN),
  twoBelts: loopEachBank(BELT),
  twoChainsByIdlers: {
    shaftOf: byBank,
    parts: {
      shafts: [
        crank,
        ...banks(({ of, first }) => shaft(`idler-${of}`, `${first} idler shaft`, 'intermediate', -1, 2)),
        ...banks(({ of, first }) => shaft(`cam-${of}`, `${first} camshaft`, 'cam', -1, 2)),
      ],
      members: [
        member('pinion', 'Crank pinion', 'gear', 'crank'),
        ...banks(({ of, first }) => member(`gear-${of}`, `${first} idler gear`, 'gear', `idler-${of}`)),
        ...banks(({ of, first }) => member(`sprocket-${of}`, `${first} idler sprocket`, 'sprocket', `idler-${of}`)),
        ...banks(({ of, first }) => member(`tensioner-${of}`, `${first} tensioner`, 'tensioner')),
        ...banks(({ of, first }) => member(`cam-sprocket-${of}`, `${first} cam sprocket`, 'sprocket', `cam-${of}`)),
      ],
      loops: banks(({ of, first }) =>
        loop(
          `chain-${of}`,
          `${first} chain`,
          'rollerChain',
          `sprocket-${of}`,
          `-tensioner-${of}`,
          `cam-sprocket-${of}`,
        ),
      ),
      couplings: banks(({ of }) => mesh('pinion', `gear-${of}`)),
    },
  },
} satisfies Readonly<Record<string, DriveShape>>
