export {
  adviceOf,
  fittingHints,
  type Advice,
  type FittingHint,
  type PutterMeasures,
} from './advice';
export {
  CARD_FIELDS,
  CARD_FIELD_IDS,
  cardChanges,
  cardField,
  cardSchema,
  emptyCard,
  filledOn,
  isLookedAt,
  valueWords,
  type Card,
  type CardChange,
  type CardField,
  type CardFieldId,
} from './card';
