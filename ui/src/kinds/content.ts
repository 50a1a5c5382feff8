import type { Schema } from '../api/client';

// What a question says, what its lines lead to, and what a candidate is shown of it, as the API tells them.

export type Kind = Schema['Kind'];
export type Content = Schema['Content'];
/** The content of a question of one kind; the contract names it "OrderContent" for the kind "order". */
export type ContentOf<K extends Kind> = Schema[`${Capitalize<K>}Content`];
/** What a candidate is shown of the answers of a question of one kind. */
export type AnswersOf<K extends Kind> = Schema[`${Capitalize<K>}Answers`];
export type Choice = Schema['Choice'];
export type Part = Schema['Part'];
export type Wording = Schema['Wording'];
export type Margin = Schema['Margin'];
export type SittingQuestion = Schema['SittingQuestion'];
/** What answering needs of a question: the same in a sitting, in its review and where an author looks. */
export type AskedQuestion = Pick<SittingQuestion, 'n' | 'kind' | 'stem' | 'answers' | 'choose' | 'closed' | 'atAnswers'>;
export type QuestionOf<K extends Kind> = Omit<AskedQuestion, 'kind' | 'answers'> & { kind: K; answers: AnswersOf<K> };
export type Response = Schema['Response'];

/** The answers to choose from, where there are any. */
export const choicesOf = (content: Content): Choice[] => ('choices' in content ? content.choices : []);
