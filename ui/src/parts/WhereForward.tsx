/** Beside what holds only where candidates move forward, a question a screen. */
export function WhereForward() {
  return <span className="text-quiet italic">(where one moves forward)</span>;
}
