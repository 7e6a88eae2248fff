/** Every message the code says, read from its source: `say('…')`, `tell('…')`, `numberOf(n, '…')` and the words of `inLanguage({ … })`. */
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseSync } from '@swc/core';
import { ROOT } from './run.mjs';

const FOLDERS = ['contract/src', 'web/src', 'server/src'];
/** Properties of a table that hold no words, as `contract/src/wording/say.ts` has them. */
const NO_WORDS = new Set(['id', 'kind', 'type', 'field', 'code', 'value', 'picture']);
/** Names and signs that are the same in every language. */
const UNTOLD = /^[ ,;·]*(?:Wrenchman|CSV|PDF|JSON|SVG|DXF|PIN|Bluetooth|USB|\/pair|mm|in|lbf·ft|N·m|kN|kg)?[ ,;·]*$/;

/** Files of the product that may say something. */
function sources() {
  const listed = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', ...FOLDERS], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  return listed.split('\n').filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$|\/test\/|\.d\.ts$/.test(file));
}

/** The parts of a node of the syntax tree. */
const partsOf = (node) =>
  Object.values(node)
    .flatMap((value) => (Array.isArray(value) ? value : [value]))
    .filter((value) => value && typeof value === 'object');

const literal = (node) => {
  if (node?.type === 'StringLiteral') return node.value;
  return node?.type === 'TemplateLiteral' && node.expressions.length === 0 ? node.quasis[0]?.cooked : undefined;
};

/** What an argument may be: a literal, or one of two. */
function said(node) {
  const text = literal(node);
  if (text !== undefined) return [text];
  if (node?.type === 'ConditionalExpression') return [...said(node.consequent), ...said(node.alternate)];
  return node?.type === 'ParenthesisExpression' ? said(node.expression) : [];
}

/** The words of a table that is read in the language that is spoken. */
function wordsOf(node) {
  const text = literal(node);
  if (text !== undefined) return /\p{L}/u.test(text) ? [text] : [];
  if (node.type === 'KeyValueProperty') return NO_WORDS.has(String(node.key.value)) ? [] : wordsOf(node.value);
  return partsOf(node).flatMap(wordsOf);
}

/** `1 station`, `3 stations`: the message that `contract/src/wording/number-of.ts` makes of what is counted. */
const countedMessage = (what) =>
  `{count, plural, one {{count} ${what}} other {{count} ${/(s|x|ch|sh)$/.test(what) ? `${what}es` : `${what}s`}}}`;

/**
 * Messages, each with the file that says it first, and what a screen says past the catalogue: text between tags.
 *
 * @returns {{ messages: Map<string, string>, bare: string[] }}
 */
export function messagesInCode() {
  const messages = new Map();
  const bare = [];
  for (const file of sources()) {
    const put = (message) => {
      if (!messages.has(message)) messages.set(message, file);
    };
    const visit = (node) => {
      if (node.type === 'CallExpression' && node.callee.type === 'Identifier') {
        const [first, second, third] = node.arguments.map(({ expression }) => expression);
        const { value: name } = node.callee;
        const sense = literal(third);
        if (name === 'say' || name === 'tell')
          for (const message of said(first)) put(sense === undefined ? message : `${message} ‖ ${sense}`);
        if (name === 'numberOf') for (const what of said(second)) put(countedMessage(what));
        if (name === 'inLanguage' && first) for (const message of wordsOf(first)) put(message);
      }
      if (node.type === 'JSXText' && /\p{L}{2}/u.test(node.value) && !UNTOLD.test(node.value.trim()))
        bare.push(`${file}: ${node.value.trim()}`);
      for (const part of partsOf(node)) visit(part);
    };
    visit(
      parseSync(readFileSync(join(ROOT, file), 'utf8'), {
        syntax: 'typescript',
        tsx: file.endsWith('x'),
        decorators: true,
      }),
    );
  }
  return { messages, bare };
}
