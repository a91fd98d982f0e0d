import { ChangeDetectionStrategy, Component, ElementRef, inject, viewChild } from '@angular/core';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { InTurn } from '../ui/turns';
import { Bars } from './bars';
import { Navigation } from './navigation';
import { Strip } from './strip';

/** What is always there: name, stations and the page of one; the strip and the bars come once that stands. */
@Component({
  selector: 'wb-frame',
  imports: [Bars, InTurn, RouterLink, RouterLinkActive, RouterOutlet, Strip],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './frame.html',
  styleUrl: './frame.less',
})
export class Frame {
  private readonly page = viewChild.required<ElementRef<HTMLElement>>('page');

  constructor() {
    inject(Navigation).follow(inject(Router), () => this.page().nativeElement);
  }
}
