/**
 * The component library in the sheet's own form: square corners, hairlines, no shadows. The forms themselves
 * stand in assets/css/controls.css, in the sheet's colours.
 */
export default {
  ui: {
    colors: { primary: 'slate', neutral: 'stone' },
    button: {
      slots: { base: 'control' },
      variants: {
        variant: {
          solid: 'control-strong',
          outline: 'control-key',
          ghost: 'control-bare',
          link: 'control-link',
        },
        size: { md: { leadingIcon: 'size-4', trailingIcon: 'size-4' } },
        square: { true: 'control-square' },
      },
      defaultVariants: { color: 'neutral' as const, variant: 'outline' as const },
    },
    checkbox: { slots: { root: 'control-tick', base: 'control-tick-box', label: 'control-tick-label' } },
    progress: { slots: { root: 'inline-flex', base: 'progress-track', indicator: 'progress-bar' } },
    slider: { slots: { track: 'slide-track', range: 'slide-range', thumb: 'slide-thumb' } },
    input: {
      slots: { base: 'control-field' },
      variants: { variant: { ghost: 'control-cell' } },
      defaultVariants: { color: 'neutral' as const, variant: 'none' as const },
    },
    inputNumber: {
      slots: { base: 'control-field' },
      defaultVariants: { color: 'neutral' as const, variant: 'none' as const },
    },
    formField: {
      slots: {
        root: 'form-field',
        label: 'label font-normal',
        container: 'mt-0 relative',
        error: 'field-error mt-0',
      },
    },
    inputDate: {
      slots: { base: 'control-field', segment: 'date-part' },
      defaultVariants: { color: 'neutral' as const, variant: 'none' as const },
    },
    textarea: {
      slots: { base: 'control-field control-area' },
      defaultVariants: { color: 'neutral' as const, variant: 'none' as const },
    },
    select: {
      slots: {
        base: 'rounded-[2px] ring-0 bg-transparent',
        content: 'rounded-[2px] shadow-none border border-(--hair-strong) ring-0 bg-(--raised)',
      },
    },
    dropdownMenu: {
      slots: { content: 'rounded-[2px] shadow-none border border-(--hair-strong) ring-0 bg-(--raised)' },
    },
    popover: {
      slots: {
        content: 'rounded-[2px] shadow-none border border-(--hair-strong) ring-0 bg-(--raised) text-(--ink)',
      },
    },
    modal: {
      slots: {
        content: 'rounded-[2px] shadow-none ring-1 ring-(--hair-strong) bg-(--raised)',
        // a thumb's width, on a phone that of a cold one
        close: 'absolute top-2.5 end-2.5 size-11 justify-center max-sm:top-1 max-sm:end-1 max-sm:size-14',
      },
    },
    toast: { slots: { root: 'rounded-[2px] shadow-none ring-1 ring-(--hair-strong) bg-(--raised)' } },
  },
}
