import academy from '../../messages/en/academy.json';
import accuracy from '../../messages/en/accuracy.json';
import drills from '../../messages/en/drills.json';
import exports from '../../messages/en/export.json';
import greens from '../../messages/en/greens.json';
import home from '../../messages/en/home.json';
import imports from '../../messages/en/import.json';
import instruments from '../../messages/en/instruments.json';
import offline from '../../messages/en/offline.json';
import pages from '../../messages/en/pages.json';
import palette from '../../messages/en/palette.json';
import photo from '../../messages/en/photo.json';
import programme from '../../messages/en/programme.json';
import records from '../../messages/en/records.json';
import session from '../../messages/en/session.json';
import setup from '../../messages/en/setup.json';
import shared from '../../messages/en/shared.json';
import sheet from '../../messages/en/sheet.json';
import signIn from '../../messages/en/signIn.json';
import students from '../../messages/en/students.json';
import titles from '../../messages/en/titles.json';
import ui from '../../messages/en/ui.json';

/** Every English message, by feature, screen and key. */
export const english = {
  academy,
  accuracy,
  drills,
  export: exports,
  greens,
  home,
  import: imports,
  instruments,
  offline,
  pages,
  palette,
  photo,
  programme,
  records,
  session,
  setup,
  shared,
  sheet,
  signIn,
  students,
  titles,
  ui,
};

export type Messages = typeof english;
