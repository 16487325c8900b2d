import { useDispatch, useSelector } from 'react-redux'
import type { RootState } from '../domain/state'
import type { AppDispatch } from './makeStore'

export const useAppDispatch = useDispatch.withTypes<AppDispatch>()
export const useAppSelector = useSelector.withTypes<RootState>()
