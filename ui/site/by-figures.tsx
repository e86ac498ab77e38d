import { useRef, useState } from 'react'
import type { Site } from '@/core/model/site'
import { figure } from '@/core/model/units'
import { zoneIsKnown } from '@/core/setup'
import { Button } from '../primitives/button'
import { NumberField, TextField } from '../primitives/fields'
import { Folded } from '../primitives/folded'
import { useSay } from '../words/use-say'
import { townNear } from './towns'

const toHundredths = (degrees: number) => Math.round(degrees * 100) / 100

/** A position by its figures, typed or as the phone has it; the zone of the nearest town is put before whoever keeps it. */
export function ByFigures({ site, onKeep }: { site: Site | null; onKeep: (site: Site) => void }) {
  const say = useSay()
  return (
    <Folded
      summary={
        <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline decoration-rule underline-offset-4">
          {say`By figures, or where this phone is`}
        </summary>
      }
    >
      <Figures site={site} onKeep={onKeep} />
    </Folded>
  )
}

type Phone = 'asking' | 'refused' | 'none' | null

function Figures({ site, onKeep }: { site: Site | null; onKeep: (site: Site) => void }) {
  const say = useSay()
  const [latitude, setLatitude] = useState<number | null>(site?.latitude ?? null)
  const [longitude, setLongitude] = useState<number | null>(site?.longitude ?? null)
  const [zone, setZone] = useState(site?.zone ?? '')
  const [near, setNear] = useState<string | null>(null)
  const [phone, setPhone] = useState<Phone>(null)
  const [isTried, setIsTried] = useState(false)
  const isZone = zoneIsKnown(zone)
  /** What a person typed stays; what was put before them goes with the figures. */
  const isTyped = useRef(false)
  const asked = useRef(0)
  const propose = async (north: number, east: number) => {
    const mine = ++asked.current
    const found = await townNear(north, east)
    if (!found || isTyped.current || asked.current !== mine) return
    setZone(found.town.zone)
    setNear(
      say`The zone of the nearest town of the list: ${found.town.town}, ${figure(found.kilometres, 0)} km away.`,
    )
  }
  const put = (north: number | null, east: number | null) => {
    setLatitude(north)
    setLongitude(east)
    if (north !== null && east !== null) void propose(north, east)
  }
  const askPhone = () => {
    if (!('geolocation' in navigator)) return setPhone('none')
    setPhone('asking')
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setPhone(null)
        const [north, east] = [toHundredths(coords.latitude), toHundredths(coords.longitude)]
        setLatitude(north)
        setLongitude(east)
        void propose(north, east)
      },
      ({ code, PERMISSION_DENIED }) => setPhone(code === PERMISSION_DENIED ? 'refused' : 'none'),
      { timeout: 15_000, maximumAge: 3_600_000 },
    )
  }
  const degrees = { unit: '°', live: true, nullable: true, empty: ' ' } as const
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={event => {
        event.preventDefault()
        setIsTried(true)
        if (latitude !== null && longitude !== null && isZone) onKeep({ town: '', latitude, longitude, zone })
      }}
    >
      <div className="flex flex-wrap items-center gap-3">
        <Button onClick={askPhone} disabled={phone === 'asking'}>{say`Where this phone is`}</Button>
        <p role="status">
          {phone === 'asking'
            ? say`Asking the phone …`
            : phone === 'refused'
              ? say`The phone was told not to say. Type the figures, or look for the town.`
              : phone === 'none'
                ? say`The phone does not know. Type the figures, or look for the town.`
                : ''}
        </p>
      </div>
      <div className="grid grid-cols-2 gap-2">
        <NumberField
          label={say`Latitude, north`}
          hint={
            isTried && latitude === null ? say`From -90 to 90; south of the equator less than 0.` : undefined
          }
          min={-90}
          max={90}
          {...degrees}
          value={latitude}
          onCommit={north => put(north, longitude)}
        />
        <NumberField
          label={say`Longitude, east`}
          hint={
            isTried && longitude === null ? say`From -180 to 180; west of Greenwich less than 0.` : undefined
          }
          min={-180}
          max={180}
          {...degrees}
          value={longitude}
          onCommit={east => put(latitude, east)}
        />
      </div>
      <TextField
        label={say`Time zone`}
        hint={near ?? say`By its name, such as Europe/Oslo.`}
        value={zone}
        max={60}
        live
        suggestions={Intl.supportedValuesOf('timeZone')}
        onCommit={value => {
          setZone(value)
          setNear(null)
          isTyped.current = value !== ''
        }}
      />
      {isTried && !isZone && (
        <p role="alert" className="font-semibold">
          {zone === '' ? say`Say the time zone, too: clocks go by it.` : say`No zone is called “${zone}”.`}
        </p>
      )}
      <Button type="submit" look="main" className="self-start">{say`It stands here`}</Button>
    </form>
  )
}
