import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import { otherSide, type Side } from '@link-count/core/units'

export type BenchView = 'face' | 'wheel' | 'valves'

/** What is only on the screen: the side stood at, which drawing is up, bench mode, what could not be shown. */
export const screenSlice = createSlice({
  name: 'screen',
  initialState: {
    side: 'timing' as Side,
    view: 'face' as BenchView,
    benchMode: false,
    /** Engines that could not be summed up, each with what its summary waits for: not tried again until something is written. */
    notSummedUp: {} as Readonly<Record<string, string>>,
  },
  reducers: {
    flipped: (state) => {
      state.side = otherSide(state.side)
    },
    viewChosen: (state, action: PayloadAction<BenchView>) => {
      state.view = action.payload
    },
    summaryFailed: (state, { payload: { id, waiting } }: PayloadAction<{ id: string; waiting: string }>) => {
      state.notSummedUp = { ...state.notSummedUp, [id]: waiting }
    },
    benchModeSet: (state, action: PayloadAction<boolean>) => {
      state.benchMode = action.payload
    },
  },
})
