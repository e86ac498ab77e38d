import type { DeviceModel } from '@/core/model/device'
import switchPlain15 from './switch-plain-15.json' with { type: 'json' }
import switchPlain20 from './switch-plain-20.json' with { type: 'json' }
import switchPlain15PushIn from './switch-plain-15-push-in.json' with { type: 'json' }
import dimmerLed150TwoWire from './dimmer-led-150-two-wire.json' with { type: 'json' }
import dimmerLed150Neutral from './dimmer-led-150-neutral.json' with { type: 'json' }
import dimmerLed300Neutral from './dimmer-led-300-neutral.json' with { type: 'json' }
import switch23010Metal from './switch-230-10-metal.json' with { type: 'json' }
import switchTwoWay23010Metal from './switch-two-way-230-10-metal.json' with { type: 'json' }
import switchIntermediate23010Metal from './switch-intermediate-230-10-metal.json' with { type: 'json' }
import dimmer230TwoWireMetal from './dimmer-230-two-wire-metal.json' with { type: 'json' }
import switch2306PullCord from './switch-230-6-pull-cord.json' with { type: 'json' }
import dimmer230LeadingTwoWire from './dimmer-230-leading-two-wire.json' with { type: 'json' }
import humidity230Fan from './humidity-230-fan.json' with { type: 'json' }
import humiditySwitchFan from './humidity-switch-fan.json' with { type: 'json' }
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
import switchTwoPlace15 from './switch-two-place-15.json' with { type: 'json' }
import switchMiddle15 from './switch-middle-15.json' with { type: 'json' }
import companionOak from './companion-oak.json' with { type: 'json' }
import secondPlaceElder from './second-place-elder.json' with { type: 'json' }
import timerLinked from './timer-linked.json' with { type: 'json' }
import timerSecondPlace from './timer-second-place.json' with { type: 'json' }
import smartSwitchSense from './smart-switch-sense.json' with { type: 'json' }
import companionElm from './companion-elm.json' with { type: 'json' }
import controlKeepsFedBattery from './control-keeps-fed-battery.json' with { type: 'json' }
import dimmerControlPair8 from './dimmer-control-pair-8.json' with { type: 'json' }
import dimmerElectronic300 from './dimmer-electronic-300.json' with { type: 'json' }
import dimmerLed200Neutral from './dimmer-led-200-neutral.json' with { type: 'json' }
import dimmerLed250TwoWire from './dimmer-led-250-two-wire.json' with { type: 'json' }
import dimmerLed600NeutralWide from './dimmer-led-600-neutral-wide.json' with { type: 'json' }
import dimmerMagnetic600 from './dimmer-magnetic-600.json' with { type: 'json' }
import dimmerTungsten600 from './dimmer-tungsten-600.json' with { type: 'json' }
import presenceCeiling230 from './presence-ceiling-230.json' with { type: 'json' }
import sensor230TwoWire from './sensor-230-two-wire.json' with { type: 'json' }
import sensorByHandNeutral from './sensor-by-hand-neutral.json' with { type: 'json' }
import sensorCeilingNeutral from './sensor-ceiling-neutral.json' with { type: 'json' }
import sensorDimmerTwoWire from './sensor-dimmer-two-wire.json' with { type: 'json' }
import sensorNeutralLarge from './sensor-neutral-large.json' with { type: 'json' }
import sensorTwoWire from './sensor-two-wire.json' with { type: 'json' }
import smartDimmer230Neutral from './smart-dimmer-230-neutral.json' with { type: 'json' }
import smartDimmerLinked from './smart-dimmer-linked.json' with { type: 'json' }
import smartSwitch230TwoWire from './smart-switch-230-two-wire.json' with { type: 'json' }
import smartSwitchFan from './smart-switch-fan.json' with { type: 'json' }
import smartSwitchLinked from './smart-switch-linked.json' with { type: 'json' }
import switch23016 from './switch-230-16.json' with { type: 'json' }
import switchIntermediate23010 from './switch-intermediate-230-10.json' with { type: 'json' }
import switchMiddle20 from './switch-middle-20.json' with { type: 'json' }
import switchPlain15Clamp from './switch-plain-15-clamp.json' with { type: 'json' }
import switchPlain20Clamp from './switch-plain-20-clamp.json' with { type: 'json' }
import switchTwoPlace15Clamp from './switch-two-place-15-clamp.json' with { type: 'json' }
import switchTwoPlace20 from './switch-two-place-20.json' with { type: 'json' }
import switchTwoWay23010 from './switch-two-way-230-10.json' with { type: 'json' }
import timeSwitchSun20 from './time-switch-sun-20.json' with { type: 'json' }
import timeSwitchSunTwoWire from './time-switch-sun-two-wire.json' with { type: 'json' }
import timer230Fan from './timer-230-fan.json' with { type: 'json' }
import timerCountdownHours from './timer-countdown-hours.json' with { type: 'json' }
import timerFanQuarter from './timer-fan-quarter.json' with { type: 'json' }
import timerSpring from './timer-spring.json' with { type: 'json' }
import switchWeatherproof15 from './switch-weatherproof-15.json' with { type: 'json' }
import switch23010Weatherproof from './switch-230-10-weatherproof.json' with { type: 'json' }
import fanSpeed15 from './fan-speed-1-5.json' with { type: 'json' }
import fanIsolator230 from './fan-isolator-230.json' with { type: 'json' }
import fanSpeed230 from './fan-speed-230.json' with { type: 'json' }
import switchPilot15 from './switch-pilot-15.json' with { type: 'json' }
import switchReceptacle15 from './switch-receptacle-15.json' with { type: 'json' }
import oldReceptacleTamper from './old-receptacle-tamper.json' with { type: 'json' }
import oldReceptacleLeak from './old-receptacle-leak.json' with { type: 'json' }
import companionRadioBattery from './companion-radio-battery.json' with { type: 'json' }
import companionOak230 from './companion-oak-230.json' with { type: 'json' }
import moduleBehindSwitch from './module-behind-switch.json' with { type: 'json' }
import moduleBehindSwitch230 from './module-behind-switch-230.json' with { type: 'json' }
import oldSwitch from './old-switch.json' with { type: 'json' }
import oldSwitchNoGround from './old-switch-no-ground.json' with { type: 'json' }
import oldDimmerControlPair from './old-dimmer-control-pair.json' with { type: 'json' }
import oldDimmer from './old-dimmer.json' with { type: 'json' }
import oldTimer from './old-timer.json' with { type: 'json' }
import oldTwoPlaceSwitch from './old-two-place-switch.json' with { type: 'json' }
import oldFanIsolator230 from './old-fan-isolator-230.json' with { type: 'json' }
import oldSwitch230 from './old-switch-230.json' with { type: 'json' }
import oldMiddleSwitch from './old-middle-switch.json' with { type: 'json' }
import oldMiddle230 from './old-middle-230.json' with { type: 'json' }
import oldTwoPlace230 from './old-two-place-230.json' with { type: 'json' }
import oldTwoPlaceNoGround from './old-two-place-no-ground.json' with { type: 'json' }
import oldReceptacle from './old-receptacle.json' with { type: 'json' }
import switchStrap15 from './switch-strap-15.json' with { type: 'json' }
import switchTwoPlaceStrap15 from './switch-two-place-strap-15.json' with { type: 'json' }
import switchModule23010 from './switch-module-230-10.json' with { type: 'json' }
import switchTwoWayModule23010 from './switch-two-way-module-230-10.json' with { type: 'json' }
import switchIntermediateModule23010 from './switch-intermediate-module-230-10.json' with { type: 'json' }
import dimmerModule230Trailing from './dimmer-module-230-trailing.json' with { type: 'json' }
import dimmerModule230Leading from './dimmer-module-230-leading.json' with { type: 'json' }
import oldSwitchStrap from './old-switch-strap.json' with { type: 'json' }
import oldSwitchStrapTab from './old-switch-strap-tab.json' with { type: 'json' }
import oldTwoPlaceSwitchStrap from './old-two-place-switch-strap.json' with { type: 'json' }

/** Every device of the catalogue, one data file each; the tests parse them all. A new file is named here. */
export const devices = [
  switchPlain15,
  switchPlain20,
  switchPlain15PushIn,
  dimmerLed150TwoWire,
  dimmerLed150Neutral,
  dimmerLed300Neutral,
  humiditySwitchFan,
  humidity230Fan,
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
  companionElm,
  controlKeepsFedBattery,
  dimmerControlPair8,
  dimmerElectronic300,
  dimmerLed200Neutral,
  dimmerLed250TwoWire,
  dimmerLed600NeutralWide,
  dimmerMagnetic600,
  dimmerTungsten600,
  presenceCeiling230,
  sensor230TwoWire,
  sensorByHandNeutral,
  sensorCeilingNeutral,
  sensorDimmerTwoWire,
  sensorNeutralLarge,
  sensorTwoWire,
  smartDimmer230Neutral,
  smartDimmerLinked,
  smartSwitch230TwoWire,
  smartSwitchFan,
  smartSwitchLinked,
  switch23016,
  switchIntermediate23010,
  switchMiddle20,
  switchPlain15Clamp,
  switchPlain20Clamp,
  switchTwoPlace15Clamp,
  switchTwoPlace20,
  switchTwoWay23010,
  dimmer230LeadingTwoWire,
  switch2306PullCord,
  dimmer230TwoWireMetal,
  switchIntermediate23010Metal,
  switchTwoWay23010Metal,
  switch23010Metal,
  timeSwitchSun20,
  timeSwitchSunTwoWire,
  timer230Fan,
  timerCountdownHours,
  timerFanQuarter,
  timerSpring,
  switchWeatherproof15,
  switch23010Weatherproof,
  fanSpeed15,
  fanIsolator230,
  fanSpeed230,
  switchPilot15,
  switchReceptacle15,
  companionRadioBattery,
  companionOak230,
  switchStrap15,
  switchTwoPlaceStrap15,
  switchModule23010,
  switchTwoWayModule23010,
  switchIntermediateModule23010,
  dimmerModule230Trailing,
  dimmerModule230Leading,
  moduleBehindSwitch,
  moduleBehindSwitch230,
  oldSwitch,
  oldSwitchNoGround,
  oldDimmer,
  oldDimmerControlPair,
  oldTimer,
  oldTwoPlaceSwitch,
  oldFanIsolator230,
  oldSwitch230,
  oldMiddleSwitch,
  oldMiddle230,
  oldTwoPlace230,
  oldTwoPlaceNoGround,
  oldReceptacle,
  oldReceptacleTamper,
  oldReceptacleLeak,
  oldSwitchStrap,
  oldSwitchStrapTab,
  oldTwoPlaceSwitchStrap,
] as unknown as readonly DeviceModel[]
