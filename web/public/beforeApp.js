// Plain old JavaScript, run before the app: a browser that can't run it is told so kindly, in place of a blank page.
// Its words stand here because the catalogue is part of what such a browser can't load. One that can asks for today while
// the app is still on its way (`todayAhead.ts` takes it); by this and not by a preload, which can't name the contract's version.
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
    'CSS' in window &&
    CSS.supports('selector(:has(*))')
  if (isNewEnough) {
    var contract = (document.currentScript && document.currentScript.getAttribute('data-contract')) || ''
    var answer = fetch('/api/v1/today', {
      headers: { 'Calm-Apron-Contract': contract },
      signal: AbortSignal.timeout(12000),
    })
    // Whoever takes it hears of its failure.
    answer.catch(function () {})
    window.todayAhead = { answer: answer, askedAtMs: Date.now() }
    return
  }
  document.documentElement.setAttribute('data-too-old', '')
  document.addEventListener('DOMContentLoaded', function () {
    var main = document.createElement('main')
    var title = document.createElement('h1')
    var words = document.createElement('p')
    title.textContent = 'This browser is too old for Calm Apron'
    words.textContent =
      'It would lose what you type. Please update it, or open this page in a newer one: Chrome or Edge 111, Firefox 121, Safari 16.4, or anything later.'
    main.style.cssText = 'max-width: 36em; margin: 0 auto; padding: 32px 24px; font: 18px/1.5 sans-serif'
    main.appendChild(title)
    main.appendChild(words)
    document.body.appendChild(main)
  })
})()
