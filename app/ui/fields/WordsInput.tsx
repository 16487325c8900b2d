import { TextInput, type TextInputProps } from '@mantine/core'
import type { Draft } from './useDraft'

/** A field for words, kept under its key as they are typed. `onEnter`: what Enter does, where it does something. */
export const WordsInput = ({
  of,
  onEnter,
  ...rest
}: Omit<TextInputProps, 'value' | 'onChange' | 'onKeyDown'> & {
  readonly of: Pick<Draft, 'text' | 'setText'>
  readonly onEnter?: () => unknown
}) => (
  <TextInput
    {...rest}
    value={of.text}
    onChange={(event) => of.setText(event.currentTarget.value)}
    onKeyDown={(event) => event.key === 'Enter' && void onEnter?.()}
  />
)
