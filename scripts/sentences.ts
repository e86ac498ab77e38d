import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import * as vocabulary from '../core/model/vocabulary'
import { plain } from '../ui/words'
import { BRITISH } from '../core/words/british'
import { inLanguage, keyOf } from '../core/words/say'

/**
 * Everything a person may be told, found in the source: what is said, what stands in tables to be said where it is
 * shown, and what looks like a sentence and is never said.
 */

/** Rooms of the source in which people are spoken to. */
const ROOMS = ['core', 'ui', 'app', 'catalogue']

/** What speaks to those who write files and programs, in the language of the source: faults of formats and engines. */
const TECHNICAL =
  /^core\/(format|solve|words)\/|^core\/model\/(circuit|catalogue|device-form|fields|json|measures|setting|small-part|units)\.ts|^core\/identify\/(frame|ledger|of-record|question)\.ts|^core\/(prove\/likeness|whole\/problem|job\/(circuits|integrity|sound-shapes|command|transition)|setup\/(parse-room|parse-sensor|presence|habits|typed-walls|parse-program|hangings|place|clock-keeps))\.ts|^app\/api\//

export interface Sentences {
  /** Keys of all that is said. */
  readonly said: ReadonlySet<string>
  /** What looks like a sentence inside a function and is not said: `file:line text`. */
  readonly unsaid: readonly string[]
}

export function sentences(): Sentences {
  const said = new Set<string>()
  const unsaid: string[] = []
  for (const file of sources()) {
    const source = ts.createSourceFile(
      file,
      readFileSync(file, 'utf8'),
      ts.ScriptTarget.Latest,
      true,
      file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
    )
    collect(source, said, text => {
      if (!TECHNICAL.test(file))
        unsaid.push(
          `${file}:${source.getLineAndCharacterOfPosition(text.getStart()).line + 1} ${text.getText()}`,
        )
    })
  }
  // Ids are said where they have no words of their own.
  for (const values of Object.values(vocabulary))
    if (Array.isArray(values)) for (const id of values) said.add(plain(String(id)))
  for (const key of [...said]) if (key === '') said.delete(key)
  return { said, unsaid }
}

const sources = (): string[] =>
  ROOMS.flatMap(room =>
    readdirSync(room, { recursive: true, encoding: 'utf8' }).map(name => join(room, name)),
  ).filter(file => /\.tsx?$/.test(file) && !/\.test\.tsx?$|^core\/words\/(say|british)/.test(file))

function collect(source: ts.SourceFile, said: Set<string>, unsaid: (node: ts.Node) => void): void {
  const isInFunction = (node: ts.Node): boolean =>
    ts.findAncestor(node, each => ts.isFunctionLike(each)) !== undefined
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return
    if (ts.isTaggedTemplateExpression(node) && isSay(node.tag)) {
      const { template } = node
      said.add(
        keyOf(
          ts.isNoSubstitutionTemplateLiteral(template)
            ? [template.text]
            : [template.head.text, ...template.templateSpans.map(span => span.literal.text)],
        ),
      )
      if (ts.isTemplateExpression(template)) template.templateSpans.forEach(span => visit(span.expression))
      return
    }
    if (ts.isCallExpression(node) && /\bsay\.count$/.test(node.expression.getText())) {
      const [, one, other] = node.arguments
      node.arguments.forEach((each, at) => (at === 1 || at === 2 ? undefined : visit(each)))
      if (one && other && ts.isStringLiteralLike(one) && ts.isStringLiteralLike(other))
        said.add(`${one.text} | ${other.text}`)
      return
    }
    if (ts.isJsxText(node)) {
      if (/\p{L}{2}/u.test(node.text)) unsaid(node)
      return
    }
    if (ts.isStringLiteralLike(node) || ts.isTemplateExpression(node)) {
      const text = ts.isStringLiteralLike(node)
        ? node.text
        : [node.head.text, ...node.templateSpans.map(span => span.literal.text)].join('…')
      if (isInTable(node) && ts.isStringLiteralLike(node)) said.add(text.trim())
      else if (isShown(node) && looksSpoken(text)) {
        if (!isInFunction(node) && ts.isStringLiteralLike(node)) said.add(text.trim())
        else if (isInFunction(node)) unsaid(node)
      }
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
}

/** An entry of a table of words. */
function isInTable(node: ts.Node): boolean {
  if (ts.isPropertyAssignment(node.parent) && node.parent.name === node) return false
  const table = ts.findAncestor(node, ts.isVariableDeclaration)
  return (
    table !== undefined &&
    /^[A-Z_]*(WORDS|SAYS)$/.test(table.name.getText()) &&
    ts.findAncestor(node, each => ts.isFunctionLike(each)) === undefined
  )
}

const isSay = (tag: ts.Expression): boolean => /^(say|later)$|^say(In|For|About)\(/.test(tag.getText())

/** Attributes and calls that take ids, classes and paths. */
const NOT_SHOWN = new Set([
  'className',
  'id',
  'href',
  'd',
  'key',
  'type',
  'role',
  'look',
  'style',
  'transform',
  'viewBox',
])

function isShown(node: ts.Node): boolean {
  const { parent } = node
  if (ts.isPropertyAssignment(parent) && parent.name === node) return false
  if (ts.isCaseClause(parent) || ts.isElementAccessExpression(parent) || ts.isLiteralTypeNode(parent))
    return false
  if (ts.isBinaryExpression(parent) && /^[!=]==$/.test(parent.operatorToken.getText())) return false
  for (let at: ts.Node | undefined = parent; at && !ts.isStatement(at); at = at.parent) {
    if (ts.isNewExpression(at) && /Error$/.test(at.expression.getText())) return false
    if (ts.isJsxAttribute(at) && (NOT_SHOWN.has(at.name.getText()) || at.name.getText().startsWith('data-')))
      return false
    if (
      ts.isCallExpression(at) &&
      /^(say|cn|(\w+\.)?(send|put|onPut)|.*\.(includes|closest|querySelector|setItem))$/.test(
        at.expression.getText(),
      )
    )
      return false
  }
  const statement = ts.findAncestor(parent, ts.isStatement)
  return !(statement && ts.isExpressionStatement(statement) && ts.isStringLiteral(statement.expression))
}

/** Two words and more, or one that begins like a sentence; not a list of classes, a path, or an id. */
function looksSpoken(text: string): boolean {
  const words = text.trim()
  if (
    !/\p{L}{2}/u.test(words) ||
    /^\d+ AWG$|^[[<]|[=(]--|; path=/.test(words) ||
    /^[\w./:@-]+$/.test(words.replace(/^\p{Lu}\p{Ll}+$/u, ' '))
  )
    return false
  if (/^\p{Lu}\p{Ll}{2,}$/u.test(words)) return true
  const tokens = words.split(/\s+/)
  const classes = tokens.filter(each =>
    /^-?(?:[a-z]+:)*[a-z]+(?:-[\w[\]./%#(),]+)+$|^(?:flex|grid|block|hidden|relative|absolute|sticky|fixed|border|rounded|underline|truncate)$|:/.test(
      each,
    ),
  )
  return (
    tokens.length > 1 && classes.length < tokens.length * 0.5 && /\p{L}{2,}[\s.,;:…’”)]/u.test(`${words} `)
  )
}

/** One line a sentence in the words of North America; below it, where they differ, those of 230 V. */
export function sentencesFile(): string {
  const keys = [...sentences().said].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0))
  return `${keys
    .map(key => {
      const british = inLanguage(BRITISH, key)
      return british === key ? key : `${key}\n    ${british}`
    })
    .join('\n')}\n`
}

export const SENTENCES_FILE = 'docs/sentences.txt'

if (process.argv[1]?.endsWith('sentences.ts')) {
  writeFileSync(SENTENCES_FILE, sentencesFile())
  for (const each of sentences().unsaid) console.log(each)
}
