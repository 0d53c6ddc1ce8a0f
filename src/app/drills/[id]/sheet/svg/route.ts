import { sheetFile } from '@/features/sheet/file';

export const GET = (request: Request, { params }: RouteContext<'/drills/[id]/sheet/svg'>) =>
  sheetFile(request, params, 'svg');
