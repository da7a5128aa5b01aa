import { onMounted, ref, shallowRef } from "vue";
import { type ApiError, type Schemas, api, ask } from "../../api/client";
import { draftCalls, thenRead } from "../../session/useDraft";

export type PricesView = Schemas["PricesView"];
export type RuleView = Schemas["RuleView"];
export type RuleForm = Schemas["RuleForm"];
export type Money = Schemas["Money"];
export type PlanForm = Schemas["PlanForm"];
type Change = Pick<PricesView, "together" | "rounding" | "places" | "old" | "vat" | "style"> & { plans: PlanForm[] };

/** The price rules' draft; changes are taken one after another. */
export function usePrices() {
  const view = shallowRef<PricesView | null>(null);
  const problem = ref<ApiError | null>(null);
  const waiting = ref(0);
  let queue: Promise<unknown> = Promise.resolve();

  function take(call: () => Promise<{ data?: PricesView; error?: ApiError }>): Promise<boolean> {
    waiting.value += 1;
    const turn = queue.then(async () => {
      const { data, error } = await call();
      waiting.value -= 1;
      problem.value = error ?? null;
      if (data) view.value = data;
      if (error?.code === "revision_mismatch") await read();
      return data !== undefined;
    });
    queue = turn;
    return turn;
  }
  async function read(): Promise<void> {
    const { data, error } = await ask(api.GET("/api/prices"));
    if (data) view.value = data;
    else problem.value = error ?? null;
  }
  const revision = (): number => view.value?.revision ?? 0;
  const forms = (): RuleForm[] => (view.value?.rules ?? []).map(formOf);

  function set(rules: (now: RuleForm[]) => RuleForm[], change: Partial<Change> = {}): Promise<boolean> {
    return take(() => {
      const now = view.value;
      if (!now) return Promise.resolve({});
      const { together, rounding, places, plans, old, vat, style } = {
        ...now,
        plans: now.plans.map(planFormOf),
        ...change,
      };
      const body = { revision: revision(), rules: rules(forms()), together, rounding, places, plans, old, vat, style };
      return ask(api.PUT("/api/prices", { body }));
    });
  }
  const keep = (rule: RuleForm) =>
    set((all) =>
      all.some((one) => one.id === rule.id) ? all.map((one) => (one.id === rule.id ? rule : one)) : [...all, rule],
    );
  const remove = (id: number) => set((all) => all.filter((one) => one.id !== id));
  function move(id: number, by: number): Promise<boolean> {
    return set((all) => {
      const from = all.findIndex((one) => one.id === id);
      const next = [...all];
      const [rule] = next.splice(from, 1);
      if (rule) next.splice(Math.max(0, from + by), 0, rule);
      return next;
    });
  }
  const change = (wanted: Partial<Change>) => set((all) => all, wanted);
  function plans(next: (all: PlanForm[]) => PlanForm[]): Promise<boolean> {
    return change({ plans: next((view.value?.plans ?? []).map(planFormOf)) });
  }
  const keepPlan = (plan: PlanForm) =>
    plans((all) =>
      all.some((one) => one.id === plan.id) ? all.map((one) => (one.id === plan.id ? plan : one)) : [...all, plan],
    );
  const removePlan = (id: number) => plans((all) => all.filter((one) => one.id !== id));
  const calls = draftCalls("prices");
  const now = () => ask(api.GET("/api/prices"));
  const undo = () => take(() => thenRead(calls.undo(revision()), now));
  const redo = () => take(() => thenRead(calls.redo(revision()), now));
  const publish = () => take(() => thenRead(calls.publish(revision()), now));

  onMounted(read);
  return { view, problem, waiting, read, keep, remove, move, change, keepPlan, removePlan, undo, redo, publish };
}
export type PricesControl = ReturnType<typeof usePrices>;

/** What of a rule can be written. */
export function formOf(rule: RuleView): RuleForm {
  const { id, name, reach, except, steps, counted, total, with: company, from, until, on } = rule;
  return { id, name, reach, except, steps, counted, total, with: company, from, until, on };
}

/** What of a plan can be written. */
export function planFormOf(plan: Schemas["PlanView"]): PlanForm {
  const { id, reach, every, period, percent, saved_on, once } = plan;
  return { id, reach, every, period, percent, saved_on, once };
}

/** An amount as its currency is written. */
export function written(money: Money): string {
  const format = new Intl.NumberFormat("en-GB", { style: "currency", currency: money.currency });
  const decimals = format.resolvedOptions().maximumFractionDigits ?? 2;
  return format.format(money.minor / 10 ** decimals);
}
