import type { Provider } from '@angular/core';
import { Injectable, inject } from '@angular/core';
import type { MatDateFormats } from '@angular/material/core';
import { DateAdapter, MAT_DATE_FORMATS, MAT_DATE_LOCALE } from '@angular/material/core';
import { LuxonDateAdapter, MAT_LUXON_DATE_ADAPTER_OPTIONS } from '@angular/material-luxon-adapter';
import { fieldType, makeField } from '@plindo/core/structure';
import { DateTime, Info } from 'luxon';
import { Reading } from '../reading';

const DAY = makeField({ key: 'day', label: 'Day', type: 'date' });
const TIME = makeField({ key: 'time', label: 'Time', type: 'time-of-day' });

/** Formats of Luxon: numeric dates and times as the locale writes them. */
const FORMATS: MatDateFormats = {
  parse: { dateInput: 'D', timeInput: 't' },
  display: {
    ...{ dateInput: 'D', monthYearLabel: 'LLL yyyy', dateA11yLabel: 'DDDD', monthYearA11yLabel: 'LLLL yyyy' },
    ...{ timeInput: 'T', timeOptionLabel: 'T' },
  },
};

/** Dates of pickers, read from what is typed as fields read them: one rule for forms, tables, files and pickers. */
@Injectable()
export class SiteDateAdapter extends LuxonDateAdapter {
  private readonly reading = inject(Reading);

  override parse(text: unknown): DateTime | null {
    return this.read(text, 'yyyy-MM-dd', DAY);
  }

  override parseTime(text: unknown): DateTime | null {
    return this.read(text, 'HH:mm', TIME);
  }

  private read(text: unknown, format: string, field: typeof DAY): DateTime | null {
    if (typeof text !== 'string' || text.trim() === '') return null;
    const read = fieldType(field.type).read(text, field, this.reading.context());
    return read.ok ? DateTime.fromFormat(String(read.value), format, { zone: 'utc' }) : this.invalid();
  }
}

/** Pickers of dates and times in the locale of the site. */
export const SITE_DATES: Provider[] = [
  { provide: MAT_DATE_LOCALE, useFactory: () => inject(Reading).context().locale },
  {
    provide: MAT_LUXON_DATE_ADAPTER_OPTIONS,
    useFactory: () => {
      const { locale } = inject(Reading).context();
      // Luxon counts days of the week from Monday as 1, Material from Sunday as 0.
      return { useUtc: true, firstDayOfWeek: Info.getStartOfWeek({ locale }) % 7, defaultOutputCalendar: 'gregory' };
    },
  },
  { provide: DateAdapter, useClass: SiteDateAdapter },
  { provide: MAT_DATE_FORMATS, useValue: FORMATS },
];
