import Joi from 'joi'
import { answered, asked } from '@/server/http'
import { nearestTown, townsCalled } from '@/server/towns'

const CALLED = Joi.object({ called: Joi.string().trim().min(1).max(80).required() })

const NEAR = Joi.object({
  latitude: Joi.number().min(-90).max(90).required(),
  longitude: Joi.number().min(-180).max(180).required(),
})

/** Towns by their name, or the one nearest to a position. */
export const GET = (request: Request) =>
  answered(async () => {
    const { searchParams } = new URL(request.url)
    return searchParams.has('called')
      ? asked<{ called: string }>(request, CALLED, ({ called }) =>
          Response.json({ towns: townsCalled(called) }),
        )
      : asked<{ latitude: number; longitude: number }>(request, NEAR, position =>
          Response.json(nearestTown(position)),
        )
  })
