import type { DeviceModel } from '@/core/model/device'
import switchPlain15 from './switch-plain-15.json' with { type: 'json' }
import switchPlain20 from './switch-plain-20.json' with { type: 'json' }
import switchPlain15PushIn from './switch-plain-15-push-in.json' with { type: 'json' }
import dimmerLed150TwoWire from './dimmer-led-150-two-wire.json' with { type: 'json' }
import dimmerLed150Neutral from './dimmer-led-150-neutral.json' with { type: 'json' }
import dimmerLed300Neutral from './dimmer-led-300-neutral.json' with { type: 'json' }
import sensorNeutral from './sensor-neutral.json' with { type: 'json' }
import sensorGroundReferenced from './sensor-ground-referenced.json' with { type: 'json' }
import sensorConvertible from './sensor-convertible.json' with { type: 'json' }
import timerCountdown from './timer-countdown.json' with { type: 'json' }
import timeSwitchSun from './time-switch-sun.json' with { type: 'json' }
import smartSwitchNeutral from './smart-switch-neutral.json' with { type: 'json' }
import smartDimmerNeutral from './smart-dimmer-neutral.json' with { type: 'json' }
import smartSwitchTwoWire from './smart-switch-two-wire.json' with { type: 'json' }
import controlKeepsFed from './control-keeps-fed.json' with { type: 'json' }
import sensorDimmerNeutral from './sensor-dimmer-neutral.json' with { type: 'json' }
import switch23010 from './switch-230-10.json' with { type: 'json' }
import dimmer230TwoWire from './dimmer-230-two-wire.json' with { type: 'json' }
import dimmer230Neutral from './dimmer-230-neutral.json' with { type: 'json' }
import sensor230Neutral from './sensor-230-neutral.json' with { type: 'json' }
import timer230Countdown from './timer-230-countdown.json' with { type: 'json' }
import smartSwitch230Neutral from './smart-switch-230-neutral.json' with { type: 'json' }
import oldSwitch from './old-switch.json' with { type: 'json' }
import oldSwitchNoGround from './old-switch-no-ground.json' with { type: 'json' }
import oldDimmer from './old-dimmer.json' with { type: 'json' }
import oldTimer from './old-timer.json' with { type: 'json' }
import oldTwoPlaceSwitch from './old-two-place-switch.json' with { type: 'json' }
import oldSwitch230 from './old-switch-230.json' with { type: 'json' }
import switchTwoPlace15 from './switch-two-place-15.json' with { type: 'json' }
import switchMiddle15 from './switch-middle-15.json' with { type: 'json' }
import companionOak from './companion-oak.json' with { type: 'json' }
import secondPlaceElder from './second-place-elder.json' with { type: 'json' }
import timerLinked from './timer-linked.json' with { type: 'json' }
import timerSecondPlace from './timer-second-place.json' with { type: 'json' }
import smartSwitchSense from './smart-switch-sense.json' with { type: 'json' }
import oldMiddleSwitch from './old-middle-switch.json' with { type: 'json' }
import oldMiddle230 from './old-middle-230.json' with { type: 'json' }
import oldTwoPlace230 from './old-two-place-230.json' with { type: 'json' }
import oldTwoPlaceNoGround from './old-two-place-no-ground.json' with { type: 'json' }
import oldReceptacle from './old-receptacle.json' with { type: 'json' }

/** Every device of the catalogue, one data file each; the tests parse them all. A new file is named here. */
export const devices = [
  switchPlain15,
  switchPlain20,
  switchPlain15PushIn,
  dimmerLed150TwoWire,
  dimmerLed150Neutral,
  dimmerLed300Neutral,
  sensorNeutral,
  sensorGroundReferenced,
  sensorConvertible,
  timerCountdown,
  timeSwitchSun,
  smartSwitchNeutral,
  smartDimmerNeutral,
  smartSwitchTwoWire,
  controlKeepsFed,
  sensorDimmerNeutral,
  switch23010,
  dimmer230TwoWire,
  dimmer230Neutral,
  sensor230Neutral,
  timer230Countdown,
  smartSwitch230Neutral,
  switchTwoPlace15,
  switchMiddle15,
  companionOak,
  secondPlaceElder,
  timerLinked,
  timerSecondPlace,
  smartSwitchSense,
  oldSwitch,
  oldSwitchNoGround,
  oldDimmer,
  oldTimer,
  oldTwoPlaceSwitch,
  oldSwitch230,
  oldMiddleSwitch,
  oldMiddle230,
  oldTwoPlace230,
  oldTwoPlaceNoGround,
  oldReceptacle,
] as unknown as readonly DeviceModel[]
