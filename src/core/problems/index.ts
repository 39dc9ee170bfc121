export { assertNever, fail, ok, type Problem, type Result } from './result';
export { problemsFromZod } from './from-zod';
export { problemSentences, wordProblem, type ProblemCode } from './wording';
