/** No file leads back to itself: what is one thing stands in one place (docs/architecture.md). Types alone may. */
module.exports = {
  forbidden: [
    {
      name: 'no-cycle',
      severity: 'error',
      comment: 'Two files that need each other are one, or lack a third that both need.',
      from: {},
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules)/' },
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.js', '.jsx'],
    },
  },
}
