interface PayPlace {
  provider: string;
  because: string;
}

/** Puts pay shortcuts into the order that suits this shopper: pages are made for all, so the shop is asked. */
export async function orderProviders(): Promise<void> {
  const rows = document.querySelectorAll<HTMLElement>("[data-pay-order]");
  if (rows.length === 0) return;
  const touch = matchMedia("(pointer: coarse)").matches ? 1 : 0;
  const answer = await fetch(`/shop/pay-order?touch=${touch}`).catch(() => null);
  if (!answer?.ok) return;
  const places = (await answer.json()) as PayPlace[];
  for (const row of rows) {
    const buttons = new Map([...row.querySelectorAll("button")].map((button) => [button.value, button]));
    const most = Number(row.dataset.mostShown ?? 1);
    places.forEach(({ provider }, place) => {
      const button = buttons.get(provider);
      if (!button) return;
      button.hidden = place >= most;
      row.append(button);
    });
  }
}
