import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router, withNavigationErrorHandler } from '@angular/router';
import { inject, provideZonelessChangeDetection } from '@angular/core';
import { Navigation } from './navigation';

@Component({ template: '' })
class Station {}

describe('where one lands', () => {
  let page: HTMLElement;
  let router: Router;
  let navigation: Navigation;
  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        provideRouter(
          [
            { path: 'shelf', component: Station },
            { path: 'catalogue', component: Station },
            { path: 'catalogue/audit', component: Station },
            {
              path: 'away',
              loadComponent: () =>
                Promise.reject(new TypeError('Failed to fetch dynamically imported module: chunk.js')),
            },
          ],
          withNavigationErrorHandler((failed) => inject(Navigation).failed(failed)),
        ),
      ],
    });
    page = document.createElement('main');
    page.tabIndex = -1;
    document.body.append(page);
    navigation = TestBed.inject(Navigation);
    router = TestBed.inject(Router);
    navigation.follow(router, () => page);
  });
  afterEach(() => page.remove());

  it('the first field of the station has the focus, else its page; not again within the station', async () => {
    await router.navigateByUrl('/shelf');
    expect(document.activeElement).toBe(page);
    page.innerHTML = '<input data-first-field>';
    await router.navigateByUrl('/catalogue');
    expect(document.activeElement).toBe(page.firstElementChild);
    (document.activeElement as HTMLElement).blur();
    await router.navigateByUrl('/catalogue/audit');
    expect(document.activeElement).toBe(document.body);
  });

  it('a field outside the pages that comes later has the focus of who landed where it is the first', async () => {
    const entry = document.createElement('input');
    document.body.append(entry);
    await router.navigateByUrl('/shelf');
    navigation.offerField((path) => (path === '/shelf' ? entry : undefined));
    expect(document.activeElement).toBe(entry);
    entry.blur();
    await router.navigateByUrl('/catalogue');
    expect(document.activeElement).toBe(page);
    await router.navigateByUrl('/shelf');
    expect(document.activeElement).toBe(entry);
    entry.remove();
  });

  it('a field that comes later takes the focus from nobody who landed elsewhere', async () => {
    await router.navigateByUrl('/catalogue');
    navigation.offerField((path) => (path === '/shelf' ? document.createElement('input') : undefined));
    expect(document.activeElement).toBe(page);
  });

  it('one who is typing is left there', async () => {
    const elsewhere = document.createElement('input');
    document.body.append(elsewhere);
    elsewhere.focus();
    await router.navigateByUrl('/shelf');
    expect(document.activeElement).toBe(elsewhere);
    elsewhere.remove();
  });

  it('a station whose code cannot be fetched says why, until another opens', async () => {
    await router.navigateByUrl('/away').catch(() => undefined);
    expect(navigation.refused()).toContain('the server is away');
    await router.navigateByUrl('/shelf');
    expect(navigation.refused()).toBeUndefined();
  });
});
