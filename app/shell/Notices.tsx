import { Notifications } from '@mantine/notifications'

/** Where notices come up: at the top, so that the guard at the foot is never covered. */
const Notices = () => <Notifications position="top-center" limit={3} notificationMaxHeight={420} />
export default Notices
