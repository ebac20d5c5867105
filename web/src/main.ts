import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { Shell } from './app/shell/shell';

bootstrapApplication(Shell, appConfig).catch((error: unknown) => {
  document.body.textContent = `Tidy Tureen could not start: ${String(error)}. Reload the page.`;
});
