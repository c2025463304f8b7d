import { ChangeDetectionStrategy, Component, computed, forwardRef, input, output } from '@angular/core';
import { MatMenuModule } from '@angular/material/menu';
import type {
  Condition,
  ConditionGroup,
  FieldTest,
  Kind,
  LinkTest,
  Operator,
  PageParameter,
} from '@plindo/core/structure';
import {
  PAGE_PARAMETERS,
  isGroup,
  isLinkTest,
  isParameter,
  operatorWords,
  operatorsFor,
  takesValue,
} from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { TestValue } from '../../shared/test-value';
import type { Askable } from './selection-fields';
import { askablesOf, kindsBehind, linksOf, newTest } from './selection-fields';
import { PARAMETER_WORDS } from './selection-sentence';

const LINK_MARK = 'link:';

/** One part of a group as it is edited. */
interface Part {
  readonly condition: Condition;
  /** What stands in the list of fields: a key, or "link:" and the key of a link. */
  readonly subject: string;
  readonly askable: Askable | undefined;
  readonly operators: readonly Operator[];
}

/** Conditions under "all of", "any of" or "none of", as a sentence of choices; groups and linked listings nest. */
@Component({
  selector: 'pl-condition-editor',
  imports: [Icon, MatMenuModule, TestValue, forwardRef(() => ConditionEditor)],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './condition-editor.html',
  styleUrl: './condition-editor.scss',
})
export class ConditionEditor {
  readonly group = input.required<ConditionGroup>();
  /** The kinds whose listings are asked, and all kinds. */
  readonly kinds = input.required<readonly Kind[]>();
  readonly allKinds = input.required<readonly Kind[]>();
  /** By position, how many listings a condition removes; of the outermost group only. */
  readonly removed = input<readonly number[]>([]);
  /** Places of conditions that are wrong, and why: "2.1". */
  readonly faults = input<ReadonlyMap<string, string>>(new Map());
  readonly place = input('');
  readonly groupChange = output<ConditionGroup>();

  protected readonly parameters = PAGE_PARAMETERS;
  protected readonly parameterWords = PARAMETER_WORDS;
  protected readonly words = operatorWords;
  protected readonly takes = takesValue;
  protected readonly askables = computed(() => askablesOf(this.kinds()));
  protected readonly links = computed(() => linksOf(this.kinds()));
  protected readonly parts = computed(() =>
    this.group().of.map((condition): Part => {
      if (isGroup(condition)) return { condition, subject: '', askable: undefined, operators: [] };
      if (isLinkTest(condition)) {
        return { condition, subject: LINK_MARK + condition.link, askable: undefined, operators: [] };
      }
      const askable = this.askables().find(({ key }) => key === condition.field);
      return { condition, subject: condition.field, askable, operators: askable ? operatorsFor(askable.field) : [] };
    }),
  );

  protected asGroup(condition: Condition): ConditionGroup | null {
    return isGroup(condition) ? condition : null;
  }

  protected asLink(condition: Condition): LinkTest | null {
    return isLinkTest(condition) ? condition : null;
  }

  protected asTest(condition: Condition): FieldTest | null {
    return isGroup(condition) || isLinkTest(condition) ? null : condition;
  }

  /** The condition behind a link as a group, so that it can have several parts. */
  protected behind({ where }: LinkTest): ConditionGroup {
    return isGroup(where) ? where : { join: 'all', of: [where] };
  }

  protected kindsOf(link: string): Kind[] {
    return kindsBehind(link, this.kinds(), this.allKinds());
  }

  protected placeOf(at: number): string {
    return this.place() === '' ? String(at + 1) : `${this.place()}.${at + 1}`;
  }

  /** Where the parts behind a link stand: that of a single test has one step less. */
  protected placeBehind(at: number): string {
    return `${this.placeOf(at)}.1`;
  }

  protected parameterOf({ value }: FieldTest): PageParameter | null {
    return isParameter(value) ? value.parameter : null;
  }

  protected setJoin(join: ConditionGroup['join']): void {
    this.groupChange.emit({ ...this.group(), join });
  }

  protected setSubject(at: number, subject: string): void {
    if (subject.startsWith(LINK_MARK)) {
      const link = subject.slice(LINK_MARK.length);
      const where: ConditionGroup = { join: 'all', of: [newTest(askablesOf(this.kindsOf(link)))] };
      this.put(at, { link, where });
      return;
    }
    const field = this.askables().find(({ key }) => key === subject)?.field;
    const op = (field && operatorsFor(field)[0]) ?? 'is-not-empty';
    this.put(at, { field: subject, op, ...(field?.type === 'yes-no' && { value: 'yes' }) });
  }

  protected setOperator(at: number, test: FieldTest, op: Operator): void {
    const { value: _, ...rest } = test;
    this.put(at, takesValue(op) ? { ...test, op } : { ...rest, op });
  }

  protected setParameter(at: number, test: FieldTest, parameter: PageParameter | ''): void {
    const { value: _, ...rest } = test;
    this.put(at, parameter === '' ? rest : { ...rest, value: { parameter } });
  }

  protected put(at: number, condition: Condition): void {
    this.tell(this.group().of.map((part, index) => (index === at ? condition : part)));
  }

  protected remove(at: number): void {
    this.tell(this.group().of.filter((_, index) => index !== at));
  }

  protected add(): void {
    this.tell([...this.group().of, newTest(this.askables())]);
  }

  protected addGroup(): void {
    this.tell([...this.group().of, { join: 'any', of: [newTest(this.askables())] }]);
  }

  private tell(of: readonly Condition[]): void {
    this.groupChange.emit({ ...this.group(), of });
  }
}
