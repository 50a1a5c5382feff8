/** A number as it is shown: a true minus sign. */
export function figure(value: string | number): string {
  return String(value).replace('-', '−');
}

/** A whole number with its thousands apart: "20,000". */
export const grouped = (n: number) => n.toLocaleString('en-GB');

export function count(n: number, one: string, many = `${one}s`): string {
  return `${grouped(n)} ${n === 1 ? one : many}`;
}

/** The word after a number of points: 1 point, 0.5 points. */
export const points = (value: string | number) => (String(value) === '1' ? 'point' : 'points');

/** Seconds as minutes and seconds: "18:42", "1:02:05". */
export function clock(seconds: number): string {
  const whole = Math.max(0, Math.ceil(seconds));
  const parts = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  const shown = parts[0] ? parts : parts.slice(1);
  return shown.map((part, i) => (i === 0 ? String(part) : String(part).padStart(2, '0'))).join(':');
}

export function duration(seconds: number): string {
  if (seconds < 60) return `${seconds} s`;
  return seconds % 60 === 0 ? count(seconds / 60, 'minute') : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
}

/** "5–7, 9" for [5, 6, 7, 9]. */
export function runs(numbers: number[]): string {
  const parts: string[] = [];
  for (let i = 0; i < numbers.length;) {
    let j = i;
    while (numbers[j + 1] === (numbers[j] ?? 0) + 1) j++;
    parts.push(j > i + 1 ? `${numbers[i] ?? ''} to ${numbers[j] ?? ''}` : numbers.slice(i, j + 1).join(', '));
    i = j + 1;
  }
  return parts.join(', ');
}

/** Bytes as kilobytes or megabytes: "12.4 MB". */
export const megabytes = (bytes: number) => (bytes < 1e5 ? `${Math.ceil(bytes / 1e3)} kB` : `${(bytes / 1e6).toFixed(1)} MB`);
