import { LIMITS } from '../../base/index.ts';
import { parse as parseCss } from '@adobe/css-tools';
import { parse as parseSelectors, type Selector } from 'css-what';
import type { SvgNode } from './xmlTree.ts';

/** Properties that say how a drawing is painted, and whether children take them from their parents. */
const INHERITED = {
  fill: true,
  'fill-rule': true,
  'fill-opacity': true,
  stroke: true,
  'stroke-width': true,
  'stroke-linejoin': true,
  'stroke-linecap': true,
  'stroke-miterlimit': true,
  'stroke-dasharray': true,
  'stroke-dashoffset': true,
  'stroke-opacity': true,
  color: true,
  visibility: true,
  'paint-order': true,
  'stop-color': false,
  'stop-opacity': false,
  opacity: false,
  display: false,
  'clip-path': false,
  mask: false,
  filter: false,
  transform: false,
  'vector-effect': false,
} as const satisfies Record<string, boolean>;

export type StyleName = keyof typeof INHERITED;
export type Style = Readonly<Partial<Record<StyleName, string>>>;

interface Rule {
  selector: readonly Selector[];
  specificity: number;
  declarations: readonly Declared[];
}

interface Declared {
  name: StyleName;
  value: string;
  important: boolean;
}

const isName = (name: string): name is StyleName => Object.hasOwn(INHERITED, name);

/**
 * The rules of all style elements, for a cascade: attributes, rules by specificity and order, the style attribute, then
 * what is important.
 */
export class StyleSheet {
  readonly #rules: Rule[] = [];
  /** selectors that were not understood, and rules for other media */
  skipped = 0;
  /** comparisons of elements with parts of selectors that are left */
  #left: number = LIMITS.drawingRuleTests;

  /** More comparisons were asked for than any drawing needs: what was given since is not to be relied on. */
  get isOverrun(): boolean {
    return this.#left < 0;
  }

  add(css: string): void {
    if (css.length > LIMITS.drawingStyleCharacters) {
      this.#left = -1;
      return;
    }
    for (const rule of parseCss(css, { silent: true }).stylesheet.rules) {
      if (rule.type === 'comment') continue;
      if (rule.type !== 'rule' || !('selectors' in rule)) this.skipped++;
      else for (const selector of rule.selectors) this.#addRule(selector, declarationsOf(rule.declarations));
    }
  }

  #addRule(text: string, declarations: readonly Declared[]): void {
    try {
      for (const selector of parseSelectors(text)) {
        if (!selector.every(isKnown)) this.skipped++;
        else this.#rules.push({ selector, specificity: specificity(selector), declarations });
      }
    } catch {
      this.skipped++;
    }
  }

  /** What holds for an element, given what holds for its parent. */
  styleOf(node: SvgNode, parent: Style): Style {
    const style: Record<string, string> = {};
    for (const [name, value] of Object.entries(parent)) if (INHERITED[name as StyleName]) style[name] = value;
    // in the order they are written, which sorting keeps among equals
    const matching = this.#rules
      .filter((rule) => this.#matches(node, rule.selector, rule.selector.length - 1))
      .sort((a, b) => a.specificity - b.specificity);
    const declared = [
      ...Object.entries(node.attributes).flatMap(([name, value]) =>
        isName(name) ? [{ name, value, important: false }] : [],
      ),
      ...matching.flatMap((rule) => rule.declarations),
      ...(node.attributes.style === undefined ? [] : inlineStyle(node.attributes.style)),
    ];
    const put = ({ name, value }: Declared): void => {
      if (value !== 'inherit') style[name] = value;
      else if (parent[name] !== undefined) style[name] = parent[name];
    };
    declared.filter((d) => !d.important).forEach(put);
    declared.filter((d) => d.important).forEach(put);
    return style;
  }

  /**
   * Whether the selector's parts up to `last` fit the element: read from the right, as browsers do. Each look is
   * counted: ancestors of ancestors multiply.
   */
  #matches(node: SvgNode | undefined, selector: readonly Selector[], last: number): boolean {
    if (!node) return false;
    for (let i = last; i >= 0; i--) {
      if (--this.#left < 0) return false;
      const part = selector[i];
      if (part.type === 'child') return this.#matches(node.parent, selector, i - 1);
      if (part.type === 'descendant') {
        for (let above = node.parent; above; above = above.parent)
          if (this.#matches(above, selector, i - 1)) return true;
        return false;
      }
      if (!fits(node, part)) return false;
    }
    return true;
  }
}

function inlineStyle(css: string): Declared[] {
  const [rule] = parseCss(`x{${css}}`, { silent: true }).stylesheet.rules;
  return rule && 'declarations' in rule ? declarationsOf(rule.declarations) : [];
}

function declarationsOf(row: readonly { type: string; property?: string; value?: string }[] | undefined): Declared[] {
  return (row ?? []).flatMap(({ property = '', value = '' }) => {
    const name = property.toLowerCase();
    if (!isName(name)) return [];
    const important = /!\s*important\s*$/i.test(value);
    return [{ name, value: value.replace(/!\s*important\s*$/i, '').trim(), important }];
  });
}

function isKnown(part: Selector): boolean {
  if (part.type === 'attribute')
    return part.action === 'equals' || part.action === 'element' || part.action === 'exists';
  return ['tag', 'universal', 'descendant', 'child'].includes(part.type);
}

const specificity = (selector: readonly Selector[]): number =>
  selector.reduce((sum, part) => {
    if (part.type === 'tag') return sum + 1;
    if (part.type !== 'attribute') return sum;
    return sum + (part.name === 'id' ? 10_000 : 100);
  }, 0);

function fits({ name, attributes }: SvgNode, part: Selector): boolean {
  if (part.type === 'universal') return true;
  if (part.type === 'tag') return part.name === name;
  if (part.type !== 'attribute') return false;
  const value = attributes[part.name];
  if (part.action === 'exists') return value !== undefined;
  return part.action === 'element' ? (value ?? '').split(/\s+/).includes(part.value) : value === part.value;
}
