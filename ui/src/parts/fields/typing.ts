/** What is being typed over a value and was not taken yet: kept in the browser, so that a page that is loaded again goes on with it. */
interface Typing {
  path: string;
  /** which of the page's fields: by its label, and by its place among those that have the same */
  label: string;
  place: number;
  /** what it stood at */
  value: string;
  typed: string;
}

const SHELF = 'zetema:typing';
/** How often, and how many times, a page that comes up is looked through for the field. */
const LOOK = 200;
const LOOKS = 50;

let goesOn: string | null = null;

const fields = (label: string) =>
  [...document.querySelectorAll<HTMLButtonElement>('button[data-typed-over]')].filter((one) => one.dataset['typedOver'] === label);

/** The place of a field among those with its label; asked before it is opened. */
export const placeOf = (button: HTMLButtonElement, label: string) => fields(label).indexOf(button);

export const keepTyping = (label: string, place: number, value: string, typed: string) =>
  sessionStorage.setItem(SHELF, JSON.stringify({ path: location.pathname, label, place, value, typed } satisfies Typing));

export const leaveTyping = () => sessionStorage.removeItem(SHELF);

/** What a field that is opened goes on with, if a page that was loaded again opens it; else null. */
export function wasTyping(): string | null {
  const typed = goesOn;
  goesOn = null;
  return typed;
}

/** Opens the field that was being typed in when the page was left, once it is there and stands at what it stood at. */
export function goOnTyping() {
  const shelved = sessionStorage.getItem(SHELF);
  if (shelved === null) return;
  const kept = JSON.parse(shelved) as Typing;
  let looks = 0;
  const timer = window.setInterval(() => {
    const field = location.pathname === kept.path ? fields(kept.label)[kept.place] : undefined;
    if (field?.textContent === kept.value) {
      goesOn = kept.typed;
      field.click();
    }
    if (field?.textContent === kept.value || ++looks > LOOKS || location.pathname !== kept.path) {
      window.clearInterval(timer);
      if (field === undefined) leaveTyping();
    }
  }, LOOK);
}
