/**
 * The words of the interface, ready for a second language. They stand where they are read, in English, in the templates; what makes the
 * pages out of the templates turns each into a phrase that is looked up: `Seen {{ n }} times` becomes `$t('Seen :n times', { n })`, with
 * the English words as the key, as Laravel's own language files have it. Nobody can forget a key, and no page needs to be written twice.
 *
 * In scripts every text with more than one word, or that begins like a sentence, is a phrase as well; a single small word is one where it
 * is given to `t('…')` (resources/js/composables/language.ts).
 */
import { babelParse, MagicString, parse, walk as through } from 'vue/compiler-sfc'

const [ELEMENT, TEXT, INTERPOLATION, ATTRIBUTE, DIRECTIVE] = [1, 2, 5, 6, 7]
/** Attributes whose value is read or heard. */
const READ = new Set([
  'alt',
  'aria-label',
  'heading',
  'hint',
  'label',
  'none',
  'note',
  'placeholder',
  'possessive',
  'prompt',
  'title',
  'whose',
  'words',
])
/** Attributes that hold words by their ids. */
const NAMED = new Set(['options'])
const WORD = /\p{L}/u

/** A text of JavaScript that may stand within an attribute in double quotes. */
const quoted = (text) =>
  `'${JSON.stringify(text).slice(1, -1).replaceAll('\\"', '\\u0022').replaceAll("'", "\\'").replaceAll('"', '\\u0022')}'`
const nameOf = (source, taken) => {
  const found = /([A-Za-z_]\w*)\W*$/.exec(source)?.[1]?.toLowerCase() ?? 'value'
  let name = found
  for (let n = 2; taken.has(name); n++) name = `${found}${n}`
  taken.add(name)
  return name
}

/** The call for a phrase made of words and of what is put into them, [words, source, words, …]; null where it has no words. */
const call = (parts, heard) => {
  if (!parts.some((part) => part.words !== undefined && WORD.test(part.words))) return null
  const taken = new Set()
  const values = []
  const key = parts
    .map((part) => {
      if (part.words !== undefined) return part.words
      const name = nameOf(part.source, taken)
      values.push(`${name}: ${part.source}`)
      return `:${name}`
    })
    .join('')
  const said = key.replace(/\s+/g, ' ').trim()
  heard(said)
  const [before, after] = [/^\s*/.exec(key)[0] ? ' ' : '', /\s*$/.exec(key)[0] ? ' ' : '']
  const made = `$t(${quoted(said)}${values.length ? `, { ${values.join(', ')} }` : ''})`
  return { made, before, after }
}
const edged = ({ made, before, after }) => [before && `' '`, made, after && `' '`].filter(Boolean).join(' + ')
const inline = (one) => (one.before || one.after ? `(${edged(one)})` : one.made)

/** In a list that is gone through: names beside ids, so that of single texts only what is plainly words is one. */
const isWordOfList = (node) =>
  node.type === 'ArrayExpression' || (node.type === 'StringLiteral' && (isPhrase(node.value) || /\d \p{L}/u.test(node.value)))

/** An expression whose result is read: its own words become phrases, wherever they may come out of it. */
const expression = (source, heard, { named = false } = {}) => {
  const wrapped = `(${source})`
  let file
  try {
    file = babelParse(wrapped, { sourceType: 'module', plugins: ['typescript'] })
  } catch {
    return source
  }
  const text = new MagicString(wrapped)
  const visit = (node) => {
    switch (node.type) {
      case 'StringLiteral': {
        const made = call([{ words: node.value }], heard)
        if (made) text.overwrite(node.start, node.end, inline(made))
        break
      }
      case 'TemplateLiteral': {
        const parts = node.quasis.flatMap((quasi, k) => {
          const inner = node.expressions[k]
          return [{ words: quasi.value.cooked }, ...(inner ? [{ source: expression(wrapped.slice(inner.start, inner.end), heard) }] : [])]
        })
        const made = call(
          parts.filter((part) => part.words !== ''),
          heard,
        )
        if (made) text.overwrite(node.start, node.end, inline(made))
        break
      }
      case 'ConditionalExpression':
        visit(node.consequent)
        visit(node.alternate)
        break
      case 'LogicalExpression':
        if (node.operator !== '&&') visit(node.left)
        visit(node.right)
        break
      case 'BinaryExpression':
        if (node.operator === '+') [node.left, node.right].forEach(visit)
        break
      case 'ParenthesizedExpression':
      case 'TSAsExpression':
      case 'TSNonNullExpression':
        visit(node.expression)
        break
      case 'MemberExpression':
        // a word picked from a table on the spot
        if (node.object.type === 'ObjectExpression')
          node.object.properties.forEach((one) => one.type === 'ObjectProperty' && visit(one.value))
        break
      case 'ArrayExpression':
        if (named) node.elements.forEach((one) => one && isWordOfList(one) && visit(one))
        break
      case 'ObjectExpression':
        if (named) node.properties.forEach((one) => one.type === 'ObjectProperty' && visit(one.value))
        break
    }
  }
  visit(file.program.body[0].expression)
  return text.toString().slice(1, -1)
}

/** A text that is put into a line as it stands, such as the space in `{{ ' ' }}`: it is part of the words. */
const PLAIN = /^\s*'([^'\\]*)'\s*$/
const partOf = (node, heard) => {
  if (node.type === TEXT) return { words: node.content }
  const plain = PLAIN.exec(node.content.loc.source)
  return plain ? { words: plain[1] } : { source: expression(node.content.loc.source, heard) }
}

/** What stands together in a line, as one phrase with what is put into it. */
const line = (run, text, heard) => {
  const [first, last] = [run[0], run.at(-1)]
  const parts = run.map((node) => partOf(node, heard))
  const made = call(parts, heard)
  if (made) {
    // a space at the edge of an element is one only within what is said there: alone it would be left out
    text.overwrite(first.loc.start.offset, last.loc.end.offset, `{{ ${edged(made)} }}`)
    return
  }
  for (const node of run)
    if (node.type === INTERPOLATION) {
      const { start, end } = node.content.loc
      const own = expression(node.content.loc.source, heard)
      if (own !== node.content.loc.source) text.overwrite(start.offset, end.offset, own)
    }
}

const attribute = (one, text, heard) => {
  if (one.type === ATTRIBUTE && READ.has(one.name) && one.value && WORD.test(one.value.content)) {
    const made = call([{ words: one.value.content }], heard)
    text.overwrite(one.loc.start.offset, one.loc.end.offset, `:${one.name}="${made.made}"`)
  }
  const bound = one.type === DIRECTIVE && one.name === 'bind' && one.exp ? one.arg?.content : undefined
  if (bound && (READ.has(bound) || NAMED.has(bound))) {
    const own = expression(one.exp.loc.source, heard, { named: NAMED.has(bound) })
    if (own !== one.exp.loc.source) text.overwrite(one.exp.loc.start.offset, one.exp.loc.end.offset, own)
  }
  const all = one.type === DIRECTIVE && one.name === 'for' ? one.forParseResult?.source : undefined
  if (/^[{[]/.test(all?.loc.source ?? '')) {
    const own = expression(all.loc.source, heard, { named: true })
    if (own !== all.loc.source) text.overwrite(all.loc.start.offset, all.loc.end.offset, own)
  }
}

/** The letter of a key is the same in every language. */
const isKey = (node) => node.props?.some((one) => one.type === ATTRIBUTE && one.name === 'class' && one.value?.content.includes('key-hint'))

const walk = (node, text, heard) => {
  if (isKey(node)) return
  if (node.type === ELEMENT) node.props.forEach((one) => attribute(one, text, heard))
  let run = []
  const flush = () => {
    if (run.length) line(run, text, heard)
    run = []
  }
  for (const child of node.children ?? []) {
    if (child.type === TEXT || child.type === INTERPOLATION) run.push(child)
    else {
      flush()
      walk(child, text, heard)
    }
  }
  flush()
}

const anyOf = (...patterns) => new RegExp(patterns.map((one) => one.source).join('|'), 'u')
/** Keys of the keyboard, what is said to a browser or a server, drawings, and names of styles: no words of the interface. */
const NO_WORDS = anyOf(
  /^(Alt|Arrow\w+|Backspace|Control|Delete|End|Enter|Escape|Home|Insert|Meta|Page(Down|Up)|Shift|Space|Tab)$/,
  /^(Accept|Content-\S+|X-\S+|\w+Error|[A-Z]+)$/,
  /[{}<>=]|\b(translate|scale|rotate|url|var|calc|repeat|matrix)\(/,
  /(^|[\s:!])(btn|bg|border|text|flex|grid|font|cell|min|max|mt|mb|ml|mr|px|py|pt|pb|pl|pr|gap)(-|\b)\S*[-[]/,
  /(^|[\s:!])(display|truncate|absolute|relative|sticky|fill|stroke)(-|\b)\S*[-[]/,
)
/** More than one word, or the beginning of a sentence. */
const PHRASE = anyOf(/^["“‘(]?\p{Lu}\p{L}+/u, /\p{L}[\p{L}’.,:;)–-]*\s+[(“]?\p{L}/u, /^\s+\p{L}{2}|\p{L}{2}[,:]?\s+$/u)
const isPhrase = (text) => !NO_WORDS.test(text) && PHRASE.test(text)
const QUIET = new Set(['ImportDeclaration', 'ExportAllDeclaration', 'TaggedTemplateExpression', 'ThrowStatement', 'SwitchCase'])
/** @returns {boolean} whether the words are looked at by the program and not read by anybody */
const isLookedAt = (node, parent) =>
  (parent.type === 'BinaryExpression' && parent.operator !== '+') ||
  (parent.type === 'ObjectProperty' && parent.key === node && !parent.computed) ||
  (parent.type === 'MemberExpression' && parent.property === node) ||
  (parent.type === 'CallExpression' && ['t', '$t', 'require', 'RegExp'].includes(parent.callee.name)) ||
  (parent.type === 'CallExpression' &&
    [
      'closest',
      'querySelector',
      'querySelectorAll',
      'matches',
      'getContext',
      'includes',
      'startsWith',
      'endsWith',
      'split',
      'indexOf',
    ].includes(parent.callee.property?.name))

/**
 * Words of a script.
 *
 * @returns {boolean} whether it has any
 */
const scripted = (script, at, text, heard) => {
  let any = false
  const file = babelParse(script, { sourceType: 'module', plugins: ['typescript'] })
  through(file.program, {
    enter(node, parent) {
      if (QUIET.has(node.type) || (/^TS/.test(node.type) && !/^TS(As|NonNull|Satisfies)Expression$/.test(node.type))) {
        // what a case does is said, what it is compared with is not
        if (node.type === 'SwitchCase') node.test = null
        else return this.skip()
      }
      if (!parent || isLookedAt(node, parent)) return
      if (node.type === 'StringLiteral' && isPhrase(node.value)) {
        const made = call([{ words: node.value }], heard)
        if (made) text.overwrite(at + node.start, at + node.end, inline({ ...made, made: made.made.replace('$t(', 'phrase$(') }))
        any ||= made !== null
      }
      if (node.type === 'TemplateLiteral' && isPhrase(node.quasis.map((one) => one.value.cooked).join('0'))) {
        const own = expression(script.slice(node.start, node.end), heard)
        text.overwrite(at + node.start, at + node.end, own.replaceAll('$t(', 'phrase$('))
        any = true
        return this.skip()
      }
    },
  })
  return any
}
const ASKED_FOR = "import { t as phrase$ } from '@/composables/language'\n"

/**
 * @param {string} source of a component or a module
 * @param {{ component?: boolean, heard?: (phrase: string) => void }} of what it is, and who hears each phrase of it
 * @returns {MagicString} the same, with its words as phrases
 */
export const phrased = (source, { component = true, heard = () => {} } = {}) => {
  const text = new MagicString(source)
  if (!component) {
    if (scripted(source, 0, text, heard)) text.prepend(ASKED_FOR)
    return text
  }
  const { descriptor } = parse(source, { sourceMap: false, ignoreEmpty: false })
  if (descriptor.template?.ast) walk(descriptor.template.ast, text, heard)
  const blocks = [descriptor.script, descriptor.scriptSetup].filter(Boolean)
  const asks = blocks.filter((block) => scripted(block.content, block.loc.start.offset, text, heard))
  // what a component imports holds for both of its blocks
  const first = blocks[0]
  if (asks.length && first) text.appendLeft(first.loc.start.offset, `\n${ASKED_FOR}`)
  return text
}

/** What a script gives to t('…'). */
export const spoken = (script, heard) => {
  for (const [, text] of script.matchAll(/(?<![\w$.])t\(\s*'((?:[^'\\]|\\.)*)'/g)) heard(text.replaceAll("\\'", "'"))
}

/** What has words: neither what is generated, nor what works out of sight, nor the words' own module. */
export const hasWords = (path) =>
  /\.(vue|ts)$/.test(path) && !/\.generated\.|\.worker\.|\/types\/|composables\/language\.ts$|\.d\.ts$/.test(path)

/** @returns {import('vite').Plugin} before anything is compiled */
export const phrases = () => ({
  name: 'somatrace-phrases',
  enforce: 'pre',
  transform(source, id) {
    if (id.includes('?') || !id.includes('/resources/js/') || !hasWords(id)) return null
    const text = phrased(source, { component: id.endsWith('.vue') })
    return text.hasChanged() ? { code: text.toString(), map: text.generateMap({ source: id, includeContent: true, hires: true }) } : null
  },
})
