import { createSlice, type PayloadAction } from '@reduxjs/toolkit'
import { otherSide, type Side } from '@link-count/core/units'

export type BenchView = 'face' | 'wheel' | 'valves'

/** What is only on the screen: the side stood at, which drawing is up, bench mode. */
export const screenSlice = createSlice({
  name: 'screen',
  initialState: { side: 'timing' as Side, view: 'face' as BenchView, benchMode: false },
  reducers: {
    flipped: (state) => {
      state.side = otherSide(state.side)
    },
    viewChosen: (state, action: PayloadAction<BenchView>) => {
      state.view = action.payload
    },
    benchModeSet: (state, action: PayloadAction<boolean>) => {
      state.benchMode = action.payload
    },
  },
})
