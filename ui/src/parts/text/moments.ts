/** Dates and times as the browser's language writes them, with 24 hours; and read again as they are typed. */

export const language = () => navigator.language;

export function timeOfDay(iso: string): string {
  return new Date(iso).toLocaleTimeString(language(), { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
}

export function day(iso: string): string {
  return new Date(iso).toLocaleDateString(language(), { day: 'numeric', month: 'long', year: 'numeric' });
}

/** "25 Nov", and the year where it is another one. */
export function shortDay(iso: string, now = new Date()): string {
  const date = new Date(iso);
  const year = date.getFullYear() === now.getFullYear() ? {} : ({ year: 'numeric' } as const);
  return date.toLocaleDateString(language(), { day: 'numeric', month: 'short', ...year });
}

/** A moment with its weekday, as it can be typed again: "Fri, 25 Nov 2026, 14:30". */
export function momentWords(iso: string): string {
  const words = new Date(iso).toLocaleDateString(language(), { weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' });
  return `${words}, ${timeOfDay(iso)}`;
}

/**
 * A moment as it is typed, in the time of this place; null where it is none that can be told for certain. Read are 2027-05-01, 1.5.2027
 * and 5/1/2027 (in the order of the browser's language), 1 May 2027 and May 1, with a weekday or without, each followed by 14:30 or
 * nothing, which is the beginning of the day. Without a year it is the next such day.
 */
export function readMoment(typed: string, now: Date): Date | null {
  const time = /(?:^|[\s,T])(\d{1,2})[:.h](\d{2})$/i.exec(typed.trim());
  const found = readDay(typed.trim().slice(0, time?.index), now);
  const [hours, minutes] = [Number(time?.[1] ?? 0), Number(time?.[2] ?? 0)];
  if (!found || hours > 23 || minutes > 59) return null;
  const { year, month, date } = found;
  const at = new Date(year, month - 1, date, hours, minutes);
  return at.getMonth() === month - 1 && at.getDate() === date ? at : null;
}

interface Day {
  year: number;
  month: number;
  date: number;
}

function readDay(typed: string, now: Date): Day | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed);
  if (iso) return { year: Number(iso[1]), month: Number(iso[2]), date: Number(iso[3]) };
  const month = monthIn(typed);
  const figures = (typed.match(/\d+/g) ?? []).map(Number);
  const years = figures.filter((n) => n >= 1000);
  const [first, second, ...rest] = figures.filter((n) => n < 1000);
  const wanted = month === undefined ? 2 : 1;
  if (first === undefined || rest.length > 0 || years.length > 1 || figures.length - years.length !== wanted) return null;
  const inOrder = monthStandsFirst() ? [first, second] : [second, first];
  const [m, d] = month === undefined ? inOrder : [month, first];
  if (m === undefined || d === undefined) return null;
  return { year: years[0] ?? nextYear(m, d, now), month: m, date: d };
}

/** The year in which that day comes next. */
const nextYear = (month: number, date: number, now: Date) =>
  new Date(now.getFullYear(), month - 1, date, 23, 59) < now ? now.getFullYear() + 1 : now.getFullYear();

/** The month that is named, in the browser's language or in English; by its first three letters at least. */
function monthIn(typed: string): number | undefined {
  const words = typed.toLowerCase().match(/\p{L}{3,}/gu) ?? [];
  for (const locale of [language(), 'en-GB'])
    for (let month = 1; month <= 12; month++) {
      const names = (['long', 'short'] as const).map((length) =>
        new Intl.DateTimeFormat(locale, { month: length, day: 'numeric' })
          .formatToParts(new Date(2027, month - 1, 1))
          .filter(({ type }) => type === 'month')
          .map(({ value }) => value.toLowerCase().replace('.', ''))
          .join(''),
      );
      if (words.some((word) => names.includes(word) || names[0]?.slice(0, 3) === word)) return month;
    }
  return undefined;
}

function monthStandsFirst(): boolean {
  const parts = new Intl.DateTimeFormat(language(), { dateStyle: 'short' }).formatToParts(new Date(2027, 0, 1)).map(({ type }) => type);
  return parts.indexOf('month') < parts.indexOf('day');
}

/** The first day of a week: 1 for Monday to 7 for Sunday. */
export function weekBegins(): number {
  const locale = new Intl.Locale(language()) as Intl.Locale & { getWeekInfo?: () => { firstDay: number } };
  return locale.getWeekInfo?.().firstDay ?? 1;
}
