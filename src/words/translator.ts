import { createTranslator } from 'use-intl/core';
import { english } from './english';
import type { Translate } from './translate';

/** Returns the translator into English, for what is written where there is no request: jobs and files. */
export const intoEnglish = (): Translate => createTranslator({ locale: 'en', messages: english });
