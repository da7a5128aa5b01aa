import { type Schemas, api, ask } from "../../api/client";
import { draftCalls } from "../../session/useDraft";
import { useSteps } from "../../session/useSteps";
import { LOCALE, say } from "../../words";

export type PricesView = Schemas["PricesView"];
export type RuleView = Schemas["RuleView"];
export type RuleForm = Schemas["RuleForm"];
export type Money = Schemas["Money"];
export type PlanForm = Schemas["PlanForm"];
type Change = Schemas["PricesChange"];
type Ways = Pick<PricesView, "together" | "rounding" | "places" | "old" | "vat" | "style">;

/** The price rules' draft. */
export function usePrices() {
  const steps = useSteps<PricesView>(
    () => ({ thing: "prices", called: say("prices-prices") }),
    () => ask(api.GET("/api/prices")),
  );
  const { view, problem, overtaken, pending, load, step, stepThenRead, after } = steps;
  const revision = (): number => view.value?.revision ?? 0;

  function take(change: Change, shows: (now: PricesView) => Partial<PricesView>): Promise<boolean> {
    const shown = (now: PricesView): PricesView => ({ ...now, can_undo: true, ...shows(now) });
    const body = () => ({ revision: revision(), changes: [change] });
    return step((send) => ask(api.POST("/api/prices/steps", { body: body(), ...send })), { shows: shown });
  }
  const keep = (rule: RuleForm) =>
    take({ of: "rule", to: rule }, ({ rules }) => ({
      rules: rules.map((one) => (one.id === rule.id ? { ...one, ...rule } : one)),
    }));
  const remove = (id: number) =>
    take({ of: "drop_rule", to: id }, ({ rules }) => ({ rules: rules.filter((one) => one.id !== id) }));
  const move = (id: number, by: number) =>
    take({ of: "move_rule", to: { id, by } }, ({ rules }) => {
      const from = rules.findIndex((one) => one.id === id);
      const next = [...rules];
      const [rule] = next.splice(from, 1);
      if (rule) next.splice(Math.max(0, from + by), 0, rule);
      return { rules: next };
    });
  /** Sets one of the ways in which prices are worked out and shown. */
  const change = <K extends keyof Ways>(of: K, to: Ways[K]) => take({ of, to } as Change, () => ({ [of]: to }));
  const keepPlan = (plan: PlanForm) =>
    take({ of: "plan", to: plan }, ({ plans }) => ({
      plans: plans.map((one) => (one.id === plan.id ? { ...one, ...plan } : one)),
    }));
  const removePlan = (id: number) =>
    take({ of: "drop_plan", to: id }, ({ plans }) => ({ plans: plans.filter((one) => one.id !== id) }));
  const calls = draftCalls("prices");
  const undo = () => stepThenRead((send) => calls.undo(revision(), send), "undo");
  const redo = () => stepThenRead((send) => calls.redo(revision(), send), "redo");
  const publish = () => after(() => calls.publish(revision()));

  void load();
  const done = { keep, remove, move, change, keepPlan, removePlan, undo, redo, publish };
  return { view, problem, overtaken, pending, load, ...done };
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
  const format = new Intl.NumberFormat(LOCALE, { style: "currency", currency: money.currency });
  const decimals = format.resolvedOptions().maximumFractionDigits ?? 2;
  return format.format(money.minor / 10 ** decimals);
}
