import { provideHttpClient, withFetch, withNoXsrfProtection } from '@angular/common/http';
import { inject, provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import {
  PreloadAllModules,
  provideRouter,
  withComponentInputBinding,
  withNavigationErrorHandler,
  withPreloading,
} from '@angular/router';
import { en_GB, provideNzI18n } from 'ng-zorro-antd/i18n';
import { provideNzIcons } from 'ng-zorro-antd/icon';
import {
  CameraOutline,
  CheckOutline,
  PrinterOutline,
  CloseOutline,
  DeleteOutline,
  DownOutline,
  EditOutline,
  EnterOutline,
  PlusOutline,
  SearchOutline,
  SwapOutline,
} from '@ant-design/icons-angular/icons';
import { routes } from './app.routes';
import { Navigation } from './frame/navigation';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    // The server looks at the origin of every request; the cookie that Angular would read each time is never there.
    provideHttpClient(withFetch(), withNoXsrfProtection()),
    // The code of every station is fetched once the first one stands, so that all open while the server is away.
    provideRouter(
      routes,
      withComponentInputBinding(),
      withPreloading(PreloadAllModules),
      withNavigationErrorHandler((failed) => inject(Navigation).failed(failed)),
    ),
    provideNzI18n(en_GB),
    provideNzIcons([
      CameraOutline,
      PrinterOutline,
      CheckOutline,
      CloseOutline,
      DeleteOutline,
      DownOutline,
      EditOutline,
      EnterOutline,
      PlusOutline,
      SearchOutline,
      SwapOutline,
    ]),
  ],
};
