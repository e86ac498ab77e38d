import { cutOf, MISTAKES, play } from '@/testing/grown'

const option = (name: string, usual: string) =>
  process.argv.find(each => each.startsWith(`--${name}=`))?.slice(name.length + 3) ?? usual

/** `--seed=1 --count=200 --boxes=1..5 --mistakes=no --live=yes --lie=no --watches=yes --reach=far --tell=0`: with every so many circuits a line of how it stands */
function main(): void {
  const [from, count] = [Number(option('seed', '1')), Number(option('count', '200'))]
  const [least, most] = option('boxes', '1..5').split('..').map(Number) as [number, number]
  const live = option('live', 'yes') === 'yes'
  const watches = option('watches', live ? 'yes' : 'no') === 'yes'
  const lies = option('lie', 'no') === 'yes'
  const mistaken = option('mistakes', 'no') === 'yes'
  const reach = option('reach', 'far') === 'soon' ? 'soon' : 'far'
  const tells = Number(option('tell', '0'))
  const talks = option('say', 'no') === 'yes'
  const milliseconds: number[] = []
  const further: number[] = []
  const readings: number[] = []
  let [circuits, fully, wrong, contradicted, refused, unlike] = [0, 0, 0, 0, 0, 0]
  for (let seed = from; circuits < count; seed++) {
    const cut = cutOf(seed, mistaken ? MISTAKES[seed % MISTAKES.length]! : 'none', most)
    if (!cut || cut.survey.boxes.length < least) continue
    circuits++
    const done = play(cut, {
      live,
      watches,
      reach,
      ...(lies ? { lie: { at: seed % 5, choice: seed >> 3 } } : {}),
    })
    if (!done) {
      refused++
      continue
    }
    readings.push(done.readings)
    milliseconds.push(...done.milliseconds)
    further.push(...done.further)
    if (tells > 0 && circuits % tells === 0)
      console.log(`${circuits} by seed ${seed}: ${fully} fully proven, ${wrong} with a wrong proven`)
    if (done.fullyProven) fully++
    if (done.wrong.length > 0) wrong++
    if (!lies && (done.contradictions > 0 || done.nothingFits)) contradicted++
    if (done.nothingFits) unlike++
    if (talks && (done.wrong.length > 0 || !done.fullyProven))
      console.log(
        cut.name,
        `${done.readings} readings`,
        done.identification.decided ? '' : 'UNFINISHED',
        done.wrong.join('; '),
        done.identification.known
          .filter(({ proof, endId }) => proof !== 'proven' && cut.roles.get(endId) !== 'ground')
          .map(
            ({ endId, candidates }) =>
              `${endId}=${cut.roles.get(endId)}?${candidates.map(({ role }) => role).join('/')}`,
          )
          .join(' '),
      )
  }
  const at = (figures: readonly number[], share: number) =>
    [...figures].sort((a, b) => a - b)[Math.floor((figures.length - 1) * share)] ?? 0
  const mean = readings.reduce((sum, each) => sum + each, 0) / Math.max(1, readings.length)
  console.log(
    `Identify, grown houses: ${circuits} circuits of ${least} to ${most} boxes from seed ${from}${refused > 0 ? `, ${refused} refused` : ''}: ${fully} fully proven, ${wrong} with a wrong proven, ${contradicted} false contradictions (${unlike} before any reading), readings mean ${mean.toFixed(2)}, median ${at(readings, 0.5)}, p95 ${at(readings, 0.95)}; a question p95 ${at(milliseconds, 0.95).toFixed(1)} ms, worst ${Math.max(...milliseconds).toFixed(0)} ms; for ${further.length} of ${milliseconds.length} more was searched, median ${at(further, 0.5).toFixed(0)} ms, p95 ${at(further, 0.95).toFixed(0)} ms, worst ${Math.max(0, ...further).toFixed(0)} ms`,
  )
}

main()
