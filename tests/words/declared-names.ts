import ts from 'typescript'
import { parsedFile, sourceFiles } from './visible-text'

/** A name that the code gives: of a variable, a function, a parameter, a type or a field. */
export interface DeclaredName {
  file: string
  line: number
  name: string
}

const declares = (node: ts.Identifier): boolean => {
  const { parent } = node
  return (
    'name' in parent &&
    parent.name === node &&
    !ts.isPropertyAccessExpression(parent) &&
    !ts.isImportSpecifier(parent) &&
    !ts.isExportSpecifier(parent) &&
    !ts.isJsxAttribute(parent)
  )
}

export function namesIn(file: string): DeclaredName[] {
  const source = parsedFile(file)
  const found: DeclaredName[] = []
  const walk = (node: ts.Node): void => {
    if (ts.isIdentifier(node) && declares(node))
      found.push({
        file,
        line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        name: node.text,
      })
    ts.forEachChild(node, walk)
  }
  walk(source)
  return found
}

/** Every name that the app, the server and the command line give. */
export const declaredNames = (): DeclaredName[] =>
  ['app', 'core', 'server', 'cli'].flatMap((folder) => sourceFiles(folder).flatMap(namesIn))
