import { planSentence, problemSentence, rowSentence } from '@tureen/core/messages';
import type { Failure } from './failure.js';

export function sentence(failure: Failure): string {
  switch (failure.code) {
    case 'BAD_JSON':
      return 'This is not JSON. Nothing was changed; check the file and send it again.';
    case 'BAD_INPUT':
      return `${failure.field === '' ? 'The request' : `"${failure.field}"`} can't be used: ${failure.why}. Nothing was changed.`;
    case 'TOO_LARGE':
      return `That is more than ${String(failure.mostBytes / 1_048_576)} MB. Nothing was changed; send less at once.`;
    case 'FOREIGN_HOST':
      return `This server does not answer as ${failure.host}. Open it by the address that it printed when it was started.`;
    case 'FOREIGN_SITE':
      return `A page of another site (${failure.from}) asked for this. Nothing was changed; use the kitchen’s own page.`;
    case 'PIN_WANTED':
      return 'This tablet has not been let in. Reload the page and give the kitchen PIN; what you entered is kept here.';
    case 'WRONG_PIN':
      return 'That is not the PIN. Try again, or look where the server was started.';
    case 'PIN_LOCKED':
      return `Too many wrong tries. The next can be made in ${String(failure.minutes)} min.`;
    case 'NO_SUCH_PATH':
      return 'There is nothing at this address.';
    case 'NO_KITCHEN':
      return 'No kitchen is set up yet. Choose one on the Shelf first.';
    case 'NO_SUCH_SOUP':
      return 'There is no such soup, or no such version of it. Go back to the Shelf.';
    case 'NO_SUCH_PLAN':
      return 'There is no such plan. Make it again from the soup.';
    case 'PLAN_STARTED':
      return 'A batch of this plan has started, so it stays as it is. Make a new plan for another batch.';
    case 'NO_SUCH_INGREDIENT':
      return 'The larder has no such ingredient. Look for it by another name, or add it.';
    case 'NO_SUCH_LINE':
      return `Neither the plan nor the record of this batch knows “${failure.line}”. Bring it in first; nothing of this was kept.`;
    case 'NO_SUCH_CONTAINER':
      return 'No such container is known here. Its label may be of another kitchen; nothing was changed.';
    case 'NO_SUCH_FIGURE':
      return 'No batch has said anything of that figure, so there is nothing to hold or to forget.';
    case 'DAY_CHANGED_SINCE':
      return 'Somebody changed this day meanwhile. Nothing was overwritten; look at it as it is now, then change it again.';
    case 'MENU_CHANGED_SINCE':
      return 'Somebody changed the menu meanwhile. Nothing was overwritten; look at it as it is now, then change it again.';
    case 'NO_PHOTO':
      return 'That file is no JPEG, PNG or WebP picture. Nothing was changed; choose a photo.';
    case 'NO_SUCH_PHOTO':
      return 'That photo is not in this kitchen.';
    case 'NO_SUCH_DEVICE':
      return 'No such device has been heard of. Look at its bridge, and at its plug.';
    case 'NO_SUCH_LESSON':
      return 'There is no such lesson. Choose one on the Bench.';
    case 'NO_SUCH_BATCH':
      return 'There is no such batch. The Ledger has all that were started.';
    case 'SOUP_CHANGED_SINCE':
      return `Somebody saved version ${String(failure.version)} meanwhile. Nothing was overwritten; look at it, then save again.`;
    case 'SOUP_PROBLEMS':
      return failure.problems.map((problem) => `${problem.path}: ${problemSentence(problem)}`).join(' ');
    case 'ROW_PROBLEMS':
      return `${failure.problems.map(rowSentence).join(' ')} Nothing was changed.`;
    case 'NOT_YET':
      return 'This batch would begin later than now. Choose when it was begun.';
    case 'ID_TAKEN':
      return 'This id already stands for something else. Nothing was changed.';
    case 'PLAN_IMPOSSIBLE':
      return planSentence(failure.error);
    case 'UNREADABLE':
      return `The kitchen’s file holds a ${failure.what} that can't be read (${failure.field === '' ? '' : `${failure.field}: `}${failure.why}). Nothing was changed; restore the last backup, or ask whoever looks after the server.`;
    case 'SERVER_BUG':
      return 'The server made a mistake. What you entered is kept in this browser; try again.';
  }
}
