import type { DeviceModel } from '@/core/model/device'
import switchPlain15 from './switch-plain-15.json'
import switchPlain20 from './switch-plain-20.json'
import switchPlain15PushIn from './switch-plain-15-push-in.json'
import dimmerLed150TwoWire from './dimmer-led-150-two-wire.json'
import dimmerLed150Neutral from './dimmer-led-150-neutral.json'
import dimmerLed300Neutral from './dimmer-led-300-neutral.json'
import sensorNeutral from './sensor-neutral.json'
import sensorGroundReferenced from './sensor-ground-referenced.json'
import sensorConvertible from './sensor-convertible.json'
import timerCountdown from './timer-countdown.json'
import timeSwitchSun from './time-switch-sun.json'
import smartSwitchNeutral from './smart-switch-neutral.json'
import smartDimmerNeutral from './smart-dimmer-neutral.json'
import smartSwitchTwoWire from './smart-switch-two-wire.json'
import controlKeepsFed from './control-keeps-fed.json'
import sensorDimmerNeutral from './sensor-dimmer-neutral.json'
import switch23010 from './switch-230-10.json'
import dimmer230TwoWire from './dimmer-230-two-wire.json'
import dimmer230Neutral from './dimmer-230-neutral.json'
import sensor230Neutral from './sensor-230-neutral.json'
import timer230Countdown from './timer-230-countdown.json'
import smartSwitch230Neutral from './smart-switch-230-neutral.json'
import oldSwitch from './old-switch.json'
import oldSwitchNoGround from './old-switch-no-ground.json'
import oldDimmer from './old-dimmer.json'
import oldTimer from './old-timer.json'
import oldTwoPlaceSwitch from './old-two-place-switch.json'
import oldSwitch230 from './old-switch-230.json'

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
  oldSwitch,
  oldSwitchNoGround,
  oldDimmer,
  oldTimer,
  oldTwoPlaceSwitch,
  oldSwitch230,
] as unknown as readonly DeviceModel[]
