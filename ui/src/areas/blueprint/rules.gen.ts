// Made by `bin/console zetema:facts`. A test says when it is stale. Of each the first value counts where nothing is said.
export const rules = {
  "time": {"name":"time","level":"whole","asks":"","values":[]},
  "moving": {"name":"moving","level":"section","asks":"How candidates move","values":[["forward only","forward only"],["any order","in any order"]]},
  "screen": {"name":"what is on a page","level":"section","asks":"What is on a page","values":[["question","a question a page"],["section","a section a page"]]},
  "feedback": {"name":"feedback","level":"section","asks":"When feedback is given","values":[["after each attempt","after each attempt"],["after the last attempt","after the last attempt"],["at the end","at the end"],["never","never"]]},
  "mustAnswer": {"name":"leaving blank","level":"step","asks":"Whether a question may be left blank","values":[[false,"may be left blank"],[true,"must be answered"]]},
  "allParts": {"name":"checking a part","level":"step","asks":"From how many parts on","values":[[false,"from one part on"],[true,"once all parts are given"]]},
  "runningOut": {"name":"running out","level":"whole","asks":"What counts when time runs out","values":[["as it stands","as it stands"],["unanswered","as unanswered"]]},
  "untilEnds": {"name":"closing time","level":"whole","asks":"Whether closing time ends sittings","values":[[true,"ends sittings"],[false,"lets sittings go on"]]},
  "floor": {"name":"the least of the total","level":"whole","asks":"The least of the total","values":[["0","is never below 0"],["none","may be below 0"]]},
  "refresher": {"name":"refreshers","level":"section","asks":"","values":[]},
  "score": {"name":"running points","level":"whole","asks":"Whether points so far are shown","values":[[false,"are not shown"],[true,"are shown"]]},
  "worth": {"name":"worth shown","level":"section","asks":"Whether the worth is shown","values":[[false,"is not shown"],[true,"is shown"]]},
  "key": {"name":"right answer shown","level":"section","asks":"Whether the right answer is shown","values":[[false,"is not shown"],[true,"is shown after the last"]]},
  "keyOnRequest": {"name":"right answer on request","level":"section","asks":"When the right answer is shown","values":[[false,"by itself"],[true,"once it is asked for"]]},
  "hide": {"name":"hiding the question","level":"section","asks":"Whether the question is hidden during feedback","values":[[false,"stays in sight"],[true,"is hidden"]]},
  "checkOnChoosing": {"name":"checking by choosing","level":"section","asks":"How a response is checked","values":[[false,"by pressing Check"],[true,"by choosing"]]},
  "reshuffle": {"name":"mixing anew","level":"section","asks":"Whether answers are mixed anew","values":[[false,"stay in their order"],[true,"are mixed anew"]]},
  "goesOnByItself": {"name":"going on by itself","level":"section","asks":"What follows a right answer","values":[[false,"one reads what is said and goes on"],[true,"it goes on by itself"]]},
  "sittings": {"name":"sittings","level":"whole","asks":"","values":[]},
  "pause": {"name":"pause between sittings","level":"whole","asks":"","values":[]},
} as const satisfies Record<
  string,
  { name: string; level: 'whole' | 'section' | 'step'; asks: string; values: readonly (readonly [string | boolean, string])[] }
>;
