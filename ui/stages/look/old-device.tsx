'use client'

import { useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import { deviceNamed, devicesFor } from '@/core/model/trade'
import { oldDeviceChanged } from '@/core/recording'
import { TESTER_SHOWS } from '@/core/model/vocabulary'
import { useEdits, useTrade } from '../../job/provider'
import { SelectField, TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { plain } from '../../words'
import { useSay } from '../../words/use-say'

/** The device that is there now: its kind, what a tester showed in it, how it was set. */
export function OldDevice({ view, place }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const { found } = place
  const model = deviceNamed(trade, found?.modelId ?? '')
  const [isNoted] = useState((found?.setAs ?? '') !== '' || (found?.note ?? '') !== '')
  const change = (fields: Parameters<typeof edits.change<'devices'>>[2]) =>
    found && edits.send('edit the old device', [edits.change('devices', found.id, fields)])
  const setOld = (modelId: string) => {
    if (modelId === 'none')
      return found && edits.send('edit the old device', [edits.remove('devices', found.id)])
    const kind = deviceNamed(trade, modelId)
    if (found && kind) return edits.send('edit the old device', oldDeviceChanged(edits, view, found.id, kind))
    const row = { ...BLANK.devices, id: edits.newId(), placeId: place.place.id, modelId }
    return edits.send('edit the old device', [edits.add('devices', row)])
  }
  return (
    <>
      <SelectField
        label={say`Old device`}
        value={found?.modelId ?? 'none'}
        options={[
          { value: 'none', words: say`None, or not seen yet` },
          ...devicesFor(trade, view.region.id, 'found').map(({ id, name }) => ({ value: id, words: name })),
        ]}
        onCommit={setOld}
      />
      {found && model?.outlet && (
        <SelectField
          label={say`What a tester plugged into it shows`}
          value={found.testerShows ?? 'not-read'}
          options={[
            { value: 'not-read', words: say`Not plugged in yet` },
            ...TESTER_SHOWS.map(value => ({ value, words: say(plain(value)) })),
          ]}
          onCommit={shows => change({ testerShows: shows === 'not-read' ? null : shows })}
        />
      )}
      {found && (
        <Folded
          opened={isNoted}
          summary={<summary className="min-h-11 py-2 font-semibold">{say`More of the old device`}</summary>}
        >
          <div className="flex flex-col gap-3">
            <TextField
              label={say`How it was set`}
              value={found.setAs}
              max={200}
              onCommit={setAs => change({ setAs })}
            />
            <TextField
              label={say`Note on it`}
              value={found.note}
              max={1000}
              multiline
              onCommit={note => change({ note })}
            />
          </div>
        </Folded>
      )}
    </>
  )
}
