/** Ed25519 key of the made-up maker: its devices only accept firmware signed with it. */
export const SALTMARSH_KEY = 'd0541a4c20400f94793b80e2d3541db9b031b4d055775eb5ab378e1b1c1e2ffe'
