// What every page has: keys that help, and doors that begin shut on a phone.
export const isTyping = (target) => target.matches('input:not([type=radio]):not([type=checkbox]), textarea, select');

export const shortcuts = () => ({
  key(event) {
    if (event.key === '?' && !isTyping(event.target)) {
      event.preventDefault();
      this.$root.showModal();
    }
  },
});

export const drawer = () => ({
  init() {
    if (window.matchMedia('(max-width: 899px)').matches) this.$root.open = false;
  },
});
