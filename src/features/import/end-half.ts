import 'server-only';
import { Problem, connection, endImports } from '@/data';

/** Takes out what was left of files that were being taken in when the server ended. */
export function endHalfImports(): void {
  void connection()
    .then(endImports)
    .catch((error: unknown) => {
      if (!(error instanceof Problem)) console.error(error);
    });
}
