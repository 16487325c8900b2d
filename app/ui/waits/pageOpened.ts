/** Both clocks as they stood when this page was opened. */
export const pageOpened = { wall: Date.now(), running: performance.now() }
