/** Once the browser has nothing else to do, in two seconds at the latest: what an owner does meanwhile comes first. */
export const whenIdle = (): Promise<unknown> =>
  new Promise((go) => ("requestIdleCallback" in window ? requestIdleCallback(go, { timeout: 2000 }) : setTimeout(go)));
