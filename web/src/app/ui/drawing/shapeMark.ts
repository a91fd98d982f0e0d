import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { Shape } from '@which-bore/core';

/** One shape of an outline. Its host takes the colours: what it is, and how surely it is known. */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector -- an SVG group, so that it can stand inside a drawing
  selector: '[wbShape]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @switch (shape().form) {
      @case ('rect') {
        <svg:rect
          [attr.x]="rect.x"
          [attr.y]="rect.y"
          [attr.width]="rect.width"
          [attr.height]="rect.height"
          vector-effect="non-scaling-stroke"
        />
      }
      @case ('circle') {
        <svg:circle
          [attr.cx]="circle.x"
          [attr.cy]="circle.y"
          [attr.r]="circle.radius"
          vector-effect="non-scaling-stroke"
        />
      }
      @case ('polygon') {
        <svg:polygon [attr.points]="points" vector-effect="non-scaling-stroke" />
      }
    }
  `,
})
export class ShapeMark {
  readonly shape = input.required<Shape>({ alias: 'wbShape' });

  protected get rect() {
    const shape = this.shape();
    return shape.form === 'rect' ? shape : { x: 0, y: 0, width: 0, height: 0 };
  }

  protected get circle() {
    const shape = this.shape();
    return shape.form === 'circle' ? shape : { x: 0, y: 0, radius: 0 };
  }

  protected get points(): string {
    const shape = this.shape();
    return shape.form === 'polygon' ? shape.points.map(([x, y]) => `${x},${y}`).join(' ') : '';
  }
}
