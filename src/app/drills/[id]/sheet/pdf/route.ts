import { sheetFile } from '@/features/sheet/file';

export const GET = sheetFile('pdf');
