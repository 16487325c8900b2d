import { Modal, type ModalProps } from '@mantine/core'
import { useLayoutEffect, type ReactNode } from 'react'
import './Dialog.css'

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
    document.body.classList.add('dialog-open')
    return () => {
      root?.removeAttribute('inert')
      document.body.classList.remove('dialog-open')
    }
  }, [])
  return (
    // Mantine's own scroll lock writes a style element, which the Content-Security-Policy forbids: a class does it here.
    <Modal
      opened
      onClose={onClose}
      title={title}
      centered
      size={size}
      lockScroll={false}
      closeButtonProps={{ 'aria-label': 'Close' }}
    >
      {children}
    </Modal>
  )
}
