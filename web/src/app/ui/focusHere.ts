import { afterNextRender, Directive, ElementRef, inject } from '@angular/core';

/**
 * A field that appears because somebody wants to type into it has the focus at once, with what stands in it selected.
 */
@Directive({ selector: 'input[wbFocusHere]' })
export class FocusHere {
  constructor() {
    const { nativeElement: field } = inject<ElementRef<HTMLInputElement>>(ElementRef);
    afterNextRender(() => {
      field.focus();
      field.select();
    });
  }
}
