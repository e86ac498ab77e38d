import { readFileSync } from 'node:fs'

// Prints `passed failed` of a Vitest or Playwright JSON report.
const report = JSON.parse(readFileSync(process.argv[2], 'utf8'))
const [passed, failed] = report.stats
  ? [report.stats.expected + report.stats.flaky, report.stats.unexpected]
  : [
      report.numPassedTests,
      report.numFailedTests + (report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0),
    ]
console.log(`${passed} ${failed}`)
