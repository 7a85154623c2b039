import helmet from 'helmet'

/** Only our own scripts run. Inline styles stay allowed because the component library writes its styles at run time. */
export function securityHeaders(isSecure: boolean, deviceOrigins: readonly string[] = []) {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'"],
        // Scales and their like stand beside the tablet, or speak through this machine.
        connectSrc: ["'self'", 'ws://127.0.0.1:*', 'ws://localhost:*', ...deviceOrigins],
        manifestSrc: ["'self'"],
        workerSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
    },
    // Over plain http it would only be ignored.
    strictTransportSecurity: isSecure ? { maxAge: 31_536_000, includeSubDomains: false } : false,
  })
}
