import { createTheme } from '@mantine/core'

/** What stands above and below a field, in this order everywhere. */
const wrapped = { defaultProps: { inputWrapperOrder: ['label', 'input', 'description', 'error'] } }

// Plain data: naming the components here would put all of them on the first page.
export const theme = createTheme({
  respectReducedMotion: true,
  components: {
    Button: { defaultProps: { variant: 'default' } },
    Modal: { defaultProps: { transitionProps: { duration: 0 }, overlayProps: { backgroundOpacity: 0.6 } } },
    SegmentedControl: { defaultProps: { transitionDuration: 0, withItemsBorders: false } },
    Checkbox: { defaultProps: { size: 'md' } },
    InputWrapper: wrapped,
    TextInput: wrapped,
    Textarea: wrapped,
    NativeSelect: wrapped,
  },
})
