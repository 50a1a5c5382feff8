import type { Response } from '../../content';

export const chosenIn = (response: Response): number[] => (response && 'choose' in response ? response.choose : []);
export const textIn = (response: Response): string => (response && 'text' in response ? response.text : '');

/** What was given for each part, under the field of the kind. */
export function mapIn(response: Response, field: string): Record<string, string> {
  const map = response === null ? undefined : (response as Record<string, unknown>)[field];
  return typeof map === 'object' && map !== null ? (map as Record<string, string>) : {};
}

/** A map with one part given or taken back; nothing given at all is no response. */
export function withPart(response: Response, field: string, part: number, value: string): Response {
  const map = Object.fromEntries(Object.entries({ ...mapIn(response, field), [part]: value }).filter(([, given]) => given !== ''));
  return Object.keys(map).length === 0 ? null : ({ [field]: map } as unknown as Response);
}
