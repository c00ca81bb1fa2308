import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'

/** A text of the source that a person may read on a page, in an error, or from the command line. */
export interface VisibleText {
  file: string
  line: number
  text: string
}

/** Attributes and properties whose strings are never shown. */
const NEVER_SHOWN =
  /^(className|id|key|to|href|src|type|kind|name|value|role|htmlFor|rel|mode|d|fill|stroke|viewBox|transform|data-.*|method|action|intent|inputMode|autoComplete|variant|size|color|path|code|test)$/
/**
 * Names that also label something a person reads, whatever attribute they stand in, look like words: a space
 * between letters.
 */
const READS_AS_WORDS = /[a-zà-ž’')”}] [a-z“({0-9]/i

const isImport = (node: ts.Node): boolean =>
  ts.isImportDeclaration(node) ||
  ts.isExportDeclaration(node) ||
  ts.isImportTypeNode(node) ||
  ts.isExternalModuleReference(node)

function textOf(node: ts.Node): string | undefined {
  if (ts.isJsxText(node)) return node.text.replace(/\s+/g, ' ').trim()
  if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) return node.text
  if (ts.isTemplateExpression(node))
    return node.head.text + node.templateSpans.map((span) => `{…}${span.literal.text}`).join('')
  return undefined
}

function propertyName(node: ts.Node): string | undefined {
  const { parent } = node
  if (ts.isJsxAttribute(parent)) return parent.name.getText()
  if (ts.isJsxExpression(parent) && ts.isJsxAttribute(parent.parent)) return parent.parent.name.getText()
  if (ts.isPropertyAssignment(parent) && parent.initializer === node) return parent.name.getText()
  return undefined
}

/** SQL and class lists are not read by cooks. */
const isCode = (text: string): boolean =>
  /\b(SELECT|INSERT|UPDATE|DELETE|PRAGMA|CREATE|FROM|WHERE|JOIN|ORDER BY)\b/.test(text) ||
  /^[#./]/.test(text) ||
  /^[a-z]+[A-Z]\w*$/.test(text)

/** A file as its syntax tree. */
export const parsedFile = (file: string): ts.SourceFile =>
  ts.createSourceFile(
    file,
    readFileSync(file, 'utf8'),
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  )

export function visibleTextsIn(file: string): VisibleText[] {
  const source = parsedFile(file)
  const found: VisibleText[] = []
  const walk = (node: ts.Node): void => {
    if (isImport(node)) return
    const text = textOf(node)
    if (text && /[a-z]{2}/i.test(text) && !isCode(text)) {
      const property = propertyName(node)
      if (property === 'className') return
      const shown =
        ts.isJsxText(node) ||
        READS_AS_WORDS.test(text) ||
        (/^[A-Z][a-z]/.test(text) && !(property && NEVER_SHOWN.test(property)))
      if (shown)
        found.push({ file, line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1, text })
    }
    ts.forEachChild(node, walk)
  }
  walk(source)
  return found
}

/** Source files below a folder, without tests. */
export const sourceFiles = (folder: string): string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\./.test(name))
    .map((name) => join(folder, name))
    .sort()

/** Every text of the app, the server and the command line that a person may read. */
export const visibleTexts = (): VisibleText[] =>
  ['app', 'core', 'server', 'cli'].flatMap((folder) => sourceFiles(folder).flatMap(visibleTextsIn))
