import helmet from 'helmet'

/** Only our own scripts run. Inline styles stay allowed because the component library writes its styles at run time. */
export function securityHeaders() {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Told over plain http on loopback it would only be ignored; behind TLS the proxy's owner decides.
    strictTransportSecurity: false,
  })
}
