import type { Schema } from '../api/client';

// What a question says, what its lines lead to, and what a candidate is shown of it, as the API tells them.

export type Content = Schema['Content'];
export type Choice = Schema['Choice'];
export type Part = Schema['Part'];
export type Margin = Schema['Margin'];
export type SittingQuestion = Schema['SittingQuestion'];
export type Response = Schema['Response'];
