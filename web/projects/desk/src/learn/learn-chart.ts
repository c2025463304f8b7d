import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterRenderEffect,
  computed,
  inject,
  input,
  viewChild,
} from '@angular/core';
import type { LearnedTable } from '@plindo/core/learn';
import { cellText } from '@plindo/core/learn';
import type { ChartConfiguration } from 'chart.js';
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LineController,
  LineElement,
  LinearScale,
  PointElement,
  Tooltip,
} from 'chart.js';
import { Reading } from '../shared/reading';

Chart.register(
  ...[BarController, BarElement, CategoryScale, Legend, LineController, LineElement],
  ...[LinearScale, PointElement, Tooltip],
);

/** Of bars, the first ones; the table has all. */
const MOST_BARS = 8;
const LONGEST_LABEL = 28;
const BAR_HEIGHT_IN_REM = 2.25;

/** Draws the numbers of a table: lines over time, or bars side by side. The table below it says the same in words. */
@Component({
  selector: 'pl-learn-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<div [style.block-size.rem]="height()">
    <canvas #canvas role="img" [attr.aria-label]="table().title + ', as a chart of what the table says'"></canvas>
  </div>`,
  styles: `
    div {
      position: relative;
    }
  `,
})
export class LearnChart {
  readonly table = input.required<LearnedTable>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly reading = inject(Reading);
  private drawn: Chart | null = null;

  private readonly rows = computed(() => {
    const { chart, rows } = this.table();
    return chart?.as === 'bars' ? rows.slice(0, MOST_BARS) : rows;
  });
  protected readonly height = computed(() =>
    this.table().chart?.as === 'bars' ? this.rows().length * BAR_HEIGHT_IN_REM + 3.5 : 15,
  );

  constructor() {
    afterRenderEffect(() => this.draw());
    // Colours come from the look, which is light or dark as the device is.
    const scheme = matchMedia('(prefers-color-scheme: dark)');
    const again = (): void => this.draw();
    scheme.addEventListener('change', again);
    inject(DestroyRef).onDestroy(() => {
      scheme.removeEventListener('change', again);
      this.drawn?.destroy();
    });
  }

  private draw(): void {
    this.drawn?.destroy();
    const canvas = this.canvas().nativeElement;
    this.drawn = new Chart(canvas, this.settings(canvas));
  }

  private settings(canvas: HTMLCanvasElement): ChartConfiguration {
    const { chart, columns } = this.table();
    const { formats } = this.reading.context();
    const isBars = chart?.as === 'bars';
    const [ink, quiet, line, accent] = ['ink', 'quiet', 'line', 'accent'].map((name) =>
      colourOf(canvas, `--pl-${name}`),
    );
    // Lines are too faint for bars.
    const outline = colourOf(canvas, '--mat-sys-outline');
    const label = chart?.label ?? 0;
    const texts = this.rows().map(({ cells }) => shortened(cellText(cells[label]!, columns[label]!.kind, formats)));
    const colours = [accent, isBars ? outline : quiet];
    const font = { family: getComputedStyle(canvas).fontFamily, size: 13 };
    const numbers = { beginAtZero: true, ticks: { color: quiet, font, precision: 0 }, grid: { color: line } };
    const names = {
      grid: { display: false },
      ticks: { color: ink, font, autoSkip: !isBars, maxRotation: 0, maxTicksLimit: isBars ? MOST_BARS : 9 },
    };
    return {
      type: isBars ? 'bar' : 'line',
      data: {
        labels: texts,
        datasets: (chart?.series ?? []).map((column, at) => ({
          label: columns[column]!.label,
          data: this.rows().map(({ cells }) => Number(cells[column] ?? 0)),
          ...{ backgroundColor: colours[at], borderColor: colours[at], borderWidth: isBars ? 0 : 2 },
          ...(!isBars && {
            pointRadius: 0,
            pointStyle: 'line',
            pointHitRadius: 12,
            tension: 0,
            borderDash: at === 0 ? [] : [5, 4],
          }),
          ...(isBars && { borderRadius: 2, barPercentage: 0.9, categoryPercentage: 0.8 }),
        })),
      },
      options: {
        ...{ animation: false, responsive: true, maintainAspectRatio: false, locale: formats.locale },
        indexAxis: isBars ? 'y' : 'x',
        interaction: { mode: 'index', axis: isBars ? 'y' : 'x', intersect: false },
        scales: isBars ? { x: numbers, y: names } : { x: names, y: numbers },
        plugins: {
          legend: {
            align: 'end',
            labels: { color: ink, font, boxWidth: isBars ? 12 : 24, boxHeight: 12, usePointStyle: !isBars },
          },
        },
      },
    } as ChartConfiguration;
  }
}

function shortened(text: string): string {
  return text.length > LONGEST_LABEL ? `${text.slice(0, LONGEST_LABEL - 1)}…` : text;
}

/** A colour of the look as the canvas needs it: `light-dark()` settled. */
function colourOf(near: HTMLElement, token: string): string {
  const probe = document.createElement('span');
  probe.style.color = `var(${token})`;
  near.parentElement?.append(probe);
  const { color } = getComputedStyle(probe);
  probe.remove();
  return color;
}
