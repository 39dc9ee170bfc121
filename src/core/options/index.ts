export { ANSWER_FIELD, readAnswers, sameAnswers, type Answer, type Answers } from './answers';
export { answerTexts, type AnswerText } from './answer-texts';
export { checkOptionRules } from './check-rules';
export { describeCondition } from './describe-condition';
export { effectSums, type OptionEffect } from './effects';
export { evaluateOptions, type Evaluation } from './evaluate';
export { findCycle, optionsAskedBy } from './find-cycle';
export { newOption } from './new-option';
export { renameChoice, renameOption } from './rename';
export { sampleAnswers } from './sample-answers';
export type { Condition } from './condition.schema';
export { MOST_UPLOAD_BYTES, optionRulesSchema, productOptionSchema } from './option.schema';
export type {
  AddOnFacts,
  Effect,
  FileForm,
  OptionChoice,
  OptionKind,
  OptionRule,
  ProductOption,
} from './option.schema';
