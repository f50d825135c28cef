import jsep from 'jsep';

/** One node of a formula, as plain data: it is evaluated, typeset and sent between threads. */
export type Expr =
  | { readonly op: 'num'; readonly value: number; readonly text: string }
  | { readonly op: 'sym'; readonly name: string }
  | { readonly op: '+' | '-' | '*' | '/' | '^'; readonly a: Expr; readonly b: Expr }
  | { readonly op: 'neg'; readonly a: Expr }
  | { readonly op: 'call'; readonly fn: FunctionName; readonly args: readonly Expr[] };

const functions = {
  sqrt: Math.sqrt,
  ln: Math.log,
  exp: Math.exp,
  sin: Math.sin,
  cos: Math.cos,
  tan: Math.tan,
  cot: (x: number) => 1 / Math.tan(x),
  asin: Math.asin,
  atan: Math.atan,
  abs: Math.abs,
  min: Math.min,
  max: Math.max,
};
export type FunctionName = keyof typeof functions;

jsep.removeBinaryOp('^');
jsep.addBinaryOp('^', 12, true);

/** Parses the text of a formula, e.g. "M_Ed / (b * d^2 * f_cd)". Throws SyntaxError on anything but arithmetic. */
export function parseExpression(text: string): Expr {
  return convert(jsep(text), text);
}

function convert(node: jsep.Expression, text: string): Expr {
  switch (node.type) {
    case 'Literal': {
      const literal = node as jsep.Literal;
      if (typeof literal.value === 'number') return { op: 'num', value: literal.value, text: literal.raw };
      break;
    }
    case 'Identifier': {
      const { name } = node as jsep.Identifier;
      return name === 'pi' ? { op: 'num', value: Math.PI, text: 'π' } : { op: 'sym', name };
    }
    case 'UnaryExpression': {
      const unary = node as jsep.UnaryExpression;
      if (unary.operator === '-') return { op: 'neg', a: convert(unary.argument, text) };
      break;
    }
    case 'BinaryExpression': {
      const { operator, left, right } = node as jsep.BinaryExpression;
      if ('+-*/^'.includes(operator)) return { op: operator as '+', a: convert(left, text), b: convert(right, text) };
      break;
    }
    case 'CallExpression': {
      const call = node as jsep.CallExpression;
      const fn = (call.callee as jsep.Identifier).name;
      if (fn in functions) return { op: 'call', fn: fn as FunctionName, args: call.arguments.map((arg) => convert(arg, text)) };
      break;
    }
  }
  throw new SyntaxError(`Not a formula: ${text}`);
}

export type Values = Readonly<Record<string, number>>;
type Evaluate = (values: Values) => number;

/** Turns a formula into nested closures. No text is ever run as code. */
export function compile(expr: Expr): Evaluate {
  switch (expr.op) {
    case 'num': {
      const { value } = expr;
      return () => value;
    }
    case 'sym': {
      const { name } = expr;
      return (values) => values[name]!;
    }
    case 'neg': {
      const a = compile(expr.a);
      return (values) => -a(values);
    }
    case 'call':
      return compileCall(expr.fn, expr.args.map(compile));
    default:
      return compileBinary(expr.op, compile(expr.a), compile(expr.b));
  }
}

function compileCall(fn: FunctionName, args: Evaluate[]): Evaluate {
  const f: (...numbers: number[]) => number = functions[fn];
  const [a, b] = args as [Evaluate, Evaluate];
  if (args.length === 1) return (values) => f(a(values));
  if (args.length === 2) return (values) => f(a(values), b(values));
  return (values) => f(...args.map((arg) => arg(values)));
}

function compileBinary(op: '+' | '-' | '*' | '/' | '^', a: Evaluate, b: Evaluate): Evaluate {
  switch (op) {
    case '+':
      return (values) => a(values) + b(values);
    case '-':
      return (values) => a(values) - b(values);
    case '*':
      return (values) => a(values) * b(values);
    case '/':
      return (values) => a(values) / b(values);
    case '^':
      return (values) => Math.pow(a(values), b(values));
  }
}

/** The symbols used in a formula, each once, in order of appearance. */
export function symbolsOf(expr: Expr, found: string[] = []): string[] {
  if (expr.op === 'sym') {
    if (!found.includes(expr.name)) found.push(expr.name);
  } else if (expr.op === 'call') expr.args.forEach((arg) => symbolsOf(arg, found));
  else if (expr.op === 'neg') symbolsOf(expr.a, found);
  else if (expr.op !== 'num') [expr.a, expr.b].forEach((side) => symbolsOf(side, found));
  return found;
}
