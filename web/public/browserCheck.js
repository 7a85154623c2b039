// Plain old JavaScript, run before the app: a browser that can't run it is told so kindly, in place of a blank page.
;(function () {
  var isNewEnough =
    'noModule' in HTMLScriptElement.prototype &&
    typeof structuredClone === 'function' &&
    typeof Array.prototype.findLast === 'function' &&
    typeof Array.prototype.toSorted === 'function' &&
    typeof AbortSignal === 'function' &&
    typeof AbortSignal.timeout === 'function' &&
    typeof indexedDB === 'object' &&
    typeof BroadcastChannel === 'function' &&
    window.CSS !== undefined &&
    CSS.supports('selector(:has(*))')
  if (isNewEnough) return
  document.documentElement.setAttribute('data-too-old', '')
})()
