import { slackOf } from '../../slack/slackView'

export const slackSet = slackOf('set')
