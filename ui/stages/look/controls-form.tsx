'use client'

import dynamic from 'next/dynamic'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { Load } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { devicesFor } from '@/core/model/trade'
import { LAMP_KINDS, PHASES, TESTER_SHOWS, WANTS, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { CheckField, NumberField, PickOne, SelectField, TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { LAMP_WORDS, plain, WANT_WORDS } from '../../words'
import { Part } from '../stage-frame'

const NeedsForm = dynamic(() => import('../../needs/needs-form').then(module => module.NeedsForm), {
  ssr: false,
})

/** What each gang controls: the old device, the lamps, and what is wanted there. */
export function ControlsForm({ view }: { view: BoxView }) {
  return view.places.map(place => <ControlForm key={place.place.id} view={view} place={place} />)
}

function ControlForm({ view, place }: { view: BoxView; place: PlaceView }) {
  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const olds = devicesFor(trade, view.region.id, 'found')
  const { found } = place
  const wanted = rowsWith(view.record, 'needs', 'groupId', place.group.id).length
  const setOld = (modelId: string) => {
    if (modelId === 'none')
      return found && edits.send('edit the old device', [edits.remove('devices', found.id)])
    return edits.send('edit the old device', [
      found
        ? edits.change('devices', found.id, { modelId })
        : edits.add('devices', {
            id: newId(),
            placeId: place.place.id,
            modelId,
            testerShows: null,
            note: '',
          }),
    ])
  }
  return (
    <Part title={view.places.length > 1 ? `Gang ${place.place.gang}: ${place.group.name}` : place.group.name}>
      <TextField
        label="Controls"
        value={place.group.name}
        max={80}
        required
        onCommit={name => edits.send('edit a load', [edits.change('groups', place.group.id, { name })])}
      />
      <SelectField
        label="Old device"
        value={place.found?.modelId ?? 'none'}
        options={[
          { value: 'none', words: 'None, or not seen yet' },
          ...olds.map(model => ({ value: model.id, words: model.name })),
        ]}
        onCommit={setOld}
      />
      {found && trade.devices.find(({ id }) => id === found.modelId)?.outlet && (
        <SelectField
          label="What a tester plugged into it shows"
          value={found.testerShows ?? 'not-read'}
          options={[
            { value: 'not-read', words: 'Not plugged in yet' },
            ...TESTER_SHOWS.map(value => ({ value, words: plain(value) })),
          ]}
          onCommit={shows =>
            edits.send('edit the old device', [
              edits.change('devices', found.id, { testerShows: shows === 'not-read' ? null : shows }),
            ])
          }
        />
      )}
      <PickOne
        label="Wanted here"
        value={place.group.want ?? 'any'}
        options={[
          ...WANTS.map(value => ({ value, words: WANT_WORDS[value] })),
          { value: 'any' as const, words: 'Not said' },
        ]}
        onCommit={want =>
          edits.send('edit a load', [
            edits.change('groups', place.group.id, { want: want === 'any' ? null : want }),
          ])
        }
      />
      <Folded
        summary={
          <summary className="min-h-11 py-2 font-semibold">
            Also wanted{wanted > 0 ? `: ${wanted}` : ''}
          </summary>
        }
      >
        <NeedsForm record={view.record} groupId={place.group.id} boxId={view.box.id} />
      </Folded>
      {place.loads.map(load => (
        <LoadForm key={load.id} view={view} load={load} />
      ))}
      <Button
        onClick={() =>
          edits.send('add a load', [
            edits.add('loads', {
              id: newId(),
              groupId: place.group.id,
              name: place.group.name,
              kind: 'led',
              wattsEach: 9,
              count: 1,
              dimmable: 'not-known',
              phase: 'not-known',
              powerFactor: null,
              horsepower: null,
              metalLuminaire: 'not-known',
              longHours: false,
            }),
          ])
        }
      >
        {place.loads.length === 0 ? 'Add the lamps' : 'Add other lamps'}
      </Button>
    </Part>
  )
}

function LoadForm({ view, load }: { view: BoxView; load: Load }) {
  const edits = useEdits(view.box.id)
  const change = (fields: Parameters<typeof edits.change<'loads'>>[2]) =>
    edits.send('edit a load', [edits.change('loads', load.id, fields)])
  const isMotor = load.kind === 'fan-motor'
  const isLamp = !isMotor && load.kind !== 'receptacle'
  return (
    <div className="flex flex-col gap-3 rounded-lg border border-rule p-3">
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-[2fr_1fr_1fr]">
        <div className="col-span-2 sm:col-span-1">
          <SelectField
            label="Kind"
            value={load.kind}
            options={LAMP_KINDS.map(value => ({ value, words: LAMP_WORDS[value] }))}
            onCommit={kind => change({ kind })}
          />
        </div>
        <NumberField
          label="Count"
          value={load.count}
          min={1}
          max={200}
          onCommit={count => count && change({ count: Math.round(count) })}
        />
        <NumberField
          label="Watts each"
          value={load.wattsEach}
          min={0}
          max={20000}
          onCommit={wattsEach => wattsEach !== null && change({ wattsEach })}
        />
      </div>
      {isLamp && (
        <PickOne
          label="Dimmable, by the print on the lamp"
          value={load.dimmable}
          options={YES_NO_UNKNOWN.map(value => ({ value, words: plain(value) }))}
          onCommit={dimmable => change({ dimmable })}
        />
      )}
      <details>
        <summary className="min-h-11 py-2 font-semibold">More of its print</summary>
        <div className="flex flex-col gap-3">
          <div className="grid grid-cols-2 gap-3">
            {isMotor ? (
              <NumberField
                label="Horsepower"
                value={load.horsepower}
                min={0.01}
                max={5}
                nullable
                onCommit={horsepower => change({ horsepower })}
              />
            ) : (
              <NumberField
                label="Power factor"
                value={load.powerFactor}
                min={0.1}
                max={1}
                nullable
                onCommit={powerFactor => change({ powerFactor })}
              />
            )}
            <SelectField
              label="Dimming edge"
              value={load.phase}
              options={PHASES.map(value => ({ value, words: plain(value) }))}
              onCommit={phase => change({ phase })}
            />
          </div>
          <PickOne
            label="Metal luminaire"
            value={load.metalLuminaire}
            options={YES_NO_UNKNOWN.map(value => ({ value, words: plain(value) }))}
            onCommit={metalLuminaire => change({ metalLuminaire })}
          />
          <CheckField
            label="Often on for three hours or more"
            value={load.longHours}
            onCommit={longHours => change({ longHours })}
          />
          <Button onClick={() => edits.send('remove a load', [edits.remove('loads', load.id)])}>
            Remove these lamps
          </Button>
        </div>
      </details>
    </div>
  )
}
