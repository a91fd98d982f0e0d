import { provideHttpClient, withFetch } from '@angular/common/http';
import { provideZonelessChangeDetection, type ApplicationConfig } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
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

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideHttpClient(withFetch()),
    provideRouter(routes, withComponentInputBinding()),
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
