/**
 * At most three parameters by their places; further ones are named options. What a caller of others decides (a callback
 * given in place) is not ours to shape. `runs`: several in a row of one type (indices, coordinates) count once, as
 * predicates of geometry are written.
 */
export const positional = {
  meta: {
    type: 'suggestion',
    schema: [{ type: 'object', properties: { most: { type: 'integer' }, runs: { type: 'boolean' } } }],
    messages: { many: '{{count}} parameters by their places, at most {{most}}: name the others ({ ... }).' },
  },
  create(context) {
    const { most = 3, runs = false } = context.options[0] ?? {};
    const { sourceCode } = context;
    const bare = (param) => (param.type === 'AssignmentPattern' ? param.left : param);
    const typeOf = (param) => {
      const annotation = bare(param).typeAnnotation;
      return annotation ? sourceCode.getText(annotation) : undefined;
    };
    const isOptions = (param) =>
      bare(param).type === 'ObjectPattern' || /ptions\b|^: Partial</.test(typeOf(param) ?? '');
    const isGiven = ({ parent }) => parent.type === 'CallExpression' || parent.type === 'NewExpression';
    const check = (node) => {
      const { params } = node;
      if (params.length <= most || isGiven(node)) return;
      const named = isOptions(params[params.length - 1]) ? 1 : 0;
      const types = params.map(typeOf);
      const isRun = (i) => runs && i > 0 && types[i] !== undefined && types[i] === types[i - 1];
      const count = params.filter((_, i) => !isRun(i)).length - named;
      if (count > most) context.report({ node, messageId: 'many', data: { count, most } });
    };
    return { FunctionDeclaration: check, FunctionExpression: check, ArrowFunctionExpression: check };
  },
};
