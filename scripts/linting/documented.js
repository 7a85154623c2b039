/**
 * What is looked at of a declaration, of TypeScript's too, which ESLint's own types don't know.
 * @typedef {{ type: string, name?: string }} Named
 * @typedef {{ type: string, exprName?: Named, objectType?: TypeNode, typeAnnotation?: TypeNode, typeArguments?: { params: TypeNode[] } }} TypeNode
 * @typedef {{ type: string, id?: Named | null, declarations?: { id: Named }[], typeAnnotation?: TypeNode }} Declared
 */

/**
 * The value that a type is made of by itself: `(typeof LIST)[number]`, `keyof typeof TABLE`, `z.infer<typeof schema>`.
 * @param {TypeNode | undefined} type
 * @returns {string | null}
 */
function valueBehind(type) {
  switch (type?.type) {
    case 'TSTypeQuery':
      return type.exprName?.name ?? null
    case 'TSIndexedAccessType':
      return valueBehind(type.objectType)
    case 'TSTypeOperator':
      return valueBehind(type.typeAnnotation)
    case 'TSTypeReference':
      return valueBehind(type.typeArguments?.params[0])
    default:
      return null
  }
}

/**
 * @param {Declared} declared
 * @returns {string[]}
 */
function namesOf({ id, declarations = [] }) {
  return [...(id ? [id] : []), ...declarations.map((each) => each.id)].flatMap(({ name }) => name ?? [])
}

/**
 * Every export says what it is. Of a value and the type that is made of it by itself one does, for both: to say it twice
 * would be two truths.
 * @type {import('eslint').Rule.RuleModule}
 */
export const documented = {
  meta: { type: 'suggestion', schema: [], messages: { missing: '{{name}} has no doc comment.' } },
  create(context) {
    /** @type {{ node: import('eslint').Rule.Node, name: string, behind: string | null, isDocumented: boolean }[]} */
    const exported = []
    return {
      ExportNamedDeclaration(node) {
        // The parser's own nodes are wider than ESLint's types of them.
        const declared = /** @type {Declared | null} */ (/** @type {unknown} */ (node.declaration))
        if (declared === null) return
        const behind =
          declared.type === 'TSTypeAliasDeclaration' ? valueBehind(declared.typeAnnotation) : null
        const comment = context.sourceCode.getCommentsBefore(node).at(-1)
        const isDocumented = comment?.type === 'Block' && comment.value.startsWith('*')
        for (const name of namesOf(declared)) exported.push({ node, name, behind, isDocumented })
      },
      'Program:exit'() {
        const said = new Set(
          exported.filter((each) => each.isDocumented).flatMap(({ name, behind }) => [name, behind]),
        )
        for (const { node, name, behind } of exported)
          if (!said.has(name) && !(behind !== null && said.has(behind)))
            context.report({ node, messageId: 'missing', data: { name } })
      },
    }
  },
}
