import '@mantine/core/styles/baseline.css'
import '@mantine/core/styles/default-css-variables.css'
import '@mantine/core/styles/global.css'
import '@mantine/core/styles/ScrollArea.css'
import '@mantine/core/styles/UnstyledButton.css'
import '@mantine/core/styles/VisuallyHidden.css'
import '@mantine/core/styles/Paper.css'
import '@mantine/core/styles/CloseButton.css'
import '@mantine/core/styles/Overlay.css'
import '@mantine/core/styles/Loader.css'
import '@mantine/core/styles/ModalBase.css'
import '@mantine/core/styles/Modal.css'
import '@mantine/core/styles/Input.css'
import '@mantine/core/styles/InlineInput.css'
import '@mantine/core/styles/Button.css'
import '@mantine/core/styles/Checkbox.css'
import '@mantine/core/styles/SegmentedControl.css'
import '@mantine/core/styles/Notification.css'
import '@mantine/notifications/styles.css'
import '../ui/theme.css'
import '../ui/parts.css'
import { MantineProvider } from '@mantine/core'
import { lazy, Suspense } from 'react'
import { BrowserRouter, Navigate, Route, Routes } from 'react-router'
import { theme } from '../ui/theme'
import { lastWorkshop } from './lastWorkshop'
import { UpdateOffer } from './UpdateOffer'
import { WholeBoundary } from './WholeBoundary'
import { WorkshopGate } from './WorkshopGate'

const Notices = lazy(() => import('./Notices'))
const WorkshopPage = lazy(() => import('../features/workshop/WorkshopPage'))
const EnginePage = lazy(() => import('../features/engine/EnginePage'))
const LogPage = lazy(() => import('../features/log/LogPage'))
const NewJobPage = lazy(() => import('../features/newJob/NewJobPage'))
const JobPage = lazy(() => import('../features/job/JobPage'))
const PaperPage = lazy(() => import('../features/paper/PaperPage'))
const ShortCardPage = lazy(() => import('../features/card/ShortCardPage'))
const LabelsPage = lazy(() => import('../features/card/LabelsPage'))
const CardPage = lazy(() => import('../features/card/CardPage'))

export const App = () => (
  <MantineProvider theme={theme} defaultColorScheme="auto" withCssVariables={false} withGlobalClasses={false}>
    <WholeBoundary>
      <BrowserRouter>
        <Suspense fallback={<p className="page-message">One moment.</p>}>
          <Routes>
            <Route path="/" element={<Navigate to={`/${lastWorkshop()}`} replace />} />
            <Route path="/:workshop" element={<WorkshopGate />}>
              <Route index element={<WorkshopPage />} />
              <Route path="engine/:engineId" element={<EnginePage />} />
              <Route path="engine/:engineId/job" element={<NewJobPage />} />
              <Route path="engine/:engineId/log" element={<LogPage />} />
              <Route path="engine/:engineId/paper" element={<PaperPage />} />
              <Route path="job/:jobId" element={<JobPage />} />
              <Route path="job/:jobId/labels" element={<LabelsPage />} />
              <Route path="job/:jobId/card" element={<CardPage />} />
              <Route path="job/:jobId/card/short" element={<ShortCardPage />} />
            </Route>
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Suspense>
        <UpdateOffer />
        <Suspense fallback={null}>
          <Notices />
        </Suspense>
      </BrowserRouter>
    </WholeBoundary>
  </MantineProvider>
)
