import { Modal, type ModalProps } from '@mantine/core'
import { useLayoutEffect, type ReactNode } from 'react'

/** A dialog over the page; while it is open the page behind it can neither be reached nor read out. */
export function Dialog({
  title,
  size = 'md',
  onClose,
  children,
}: {
  readonly title: string
  readonly size?: ModalProps['size']
  readonly onClose: () => void
  readonly children: ReactNode
}) {
  useLayoutEffect(() => {
    const root = document.getElementById('root')
    root?.setAttribute('inert', '')
    return () => root?.removeAttribute('inert')
  }, [])
  return (
    <Modal opened onClose={onClose} title={title} centered size={size} closeButtonProps={{ 'aria-label': 'Close' }}>
      {children}
    </Modal>
  )
}
