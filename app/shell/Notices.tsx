import { Notifications } from '@mantine/notifications'

/** Where notices come up: above the guard, out of the way of what is being worked on. */
const Notices = () => <Notifications position="bottom-left" limit={2} />
export default Notices
