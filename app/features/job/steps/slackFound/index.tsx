import { slackOf } from '../../slack/slackView'

export const slackFound = slackOf('found')
