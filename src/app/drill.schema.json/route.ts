import { getTranslations } from 'next-intl/server';
import { drillFileSchema } from '@/features/drills/drill-file';

/** The schema of a drill's file, for whoever writes one by other means. */
export const GET = async () => Response.json(drillFileSchema(await getTranslations()));
