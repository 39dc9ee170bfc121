/** An id nobody else has. Browsers keep `randomUUID` from pages without TLS; no secret is made of it. */
export const newId = () => crypto.randomUUID?.() ?? `${Math.random()}`.slice(2);
