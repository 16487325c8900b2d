import { useElementSize } from '@mantine/hooks'

/** The size of an element in whole px, and the ref to put on it. */
export function useSize() {
  const { ref, width, height } = useElementSize()
  return { ref, width: Math.floor(width), height: Math.floor(height) }
}
