import { setResponseStatus } from 'h3'
import { photoSchema } from '#schemas/box'
import { changePhoto } from '../../../services/box'
import { answering, readValid, routeId } from '../../../utils/requests'

export default answering(async event => {
  await changePhoto(routeId(event, 'thing'), (await readValid(event, photoSchema)).photo)
  setResponseStatus(event, 204)
  return null
})
