/** The component library in the sheet's own form: square corners, hairlines, no shadows. */
export default defineAppConfig({
  ui: {
    colors: { primary: 'slate', neutral: 'stone' },
    button: { slots: { base: 'rounded-[2px] font-normal' } },
    select: {
      slots: {
        base: 'rounded-[2px] ring-0 bg-transparent',
        content: 'rounded-[2px] shadow-none border border-(--hair-strong) ring-0 bg-(--raised)',
      },
    },
    dropdownMenu: {
      slots: { content: 'rounded-[2px] shadow-none border border-(--hair-strong) ring-0 bg-(--raised)' },
    },
    modal: { slots: { content: 'rounded-[2px] shadow-none ring-1 ring-(--hair-strong) bg-(--raised)' } },
    toast: { slots: { root: 'rounded-[2px] shadow-none ring-1 ring-(--hair-strong) bg-(--raised)' } },
  },
})
