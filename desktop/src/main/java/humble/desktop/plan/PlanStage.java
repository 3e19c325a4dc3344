package humble.desktop.plan;

import humble.core.build.BuildEvent;
import humble.core.craft.BenchTrial;
import humble.core.kit.Kit;
import humble.core.kit.RefOrder;
import humble.core.route.Move;
import humble.core.route.Pace;
import humble.core.route.Plan;
import humble.core.route.Planner;
import humble.core.route.School;
import humble.core.route.Step;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.session.Reckoned;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import humble.desktop.stage.Typed;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * Compares the schools and takes one; a step is lifted and set down elsewhere, unless facts forbid
 * it.
 */
public final class PlanStage implements Stage {
  /** Lengths of an evening that the key goes through, in minutes; 0 plans none. */
  private static final List<Integer> EVENINGS = List.of(0, 60, 90, 120, 180);

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Typed typed = new Typed();
  private School school;
  private int cursor = -1;
  private String lifted = "";
  private String answer = "";
  private boolean good;

  /** Makes the stage. */
  public PlanStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.school = open.build().school().flatMap(School::named).orElse(School.LOW);
  }

  private Optional<Plan> plan() {
    return open.reckoned().map(r -> r.plans().get(school));
  }

  /** Steps that can be walked along: turns follow from the others. */
  private List<Step> steps() {
    return plan()
        .map(plan -> plan.steps().stream().filter(s -> s.act() != Step.Act.TURN).toList())
        .orElse(List.of());
  }

  @Override
  public Card card() {
    Optional<Reckoned> reckoned = open.reckoned();
    Card.Maker card = new Card.Maker(words.say("plan.kicker"), words.say("plan." + school.text()));
    if (!open.notPlanned().isEmpty()) {
      return card.verdict(false, open.notPlanned()).go(words.say("plan.again"), open::planAgain);
    }
    if (reckoned.isEmpty()) {
      card.key('E', words.say("plan.evenings.key"), this::nextEvening);
      card.key(Card.BACK, words.say("key.take-back"), desk::back);
      return card.how(words.say("plan.planning")).notYet(words.say("plan.wait"));
    }
    Plan plan = reckoned.get().plans().get(school);
    if (plan == null) {
      return card.verdict(false, words.say("plan.none")).notYet(words.say("plan.none.go"));
    }
    List<Step> steps = steps();
    Step here = cursor >= 0 && cursor < steps.size() ? steps.get(cursor) : null;
    if (here == null) {
      card.how(words.say("plan." + school.text() + ".how", plan.repairs().size()));
    } else {
      card.how(words.say("plan.on", name(here), here.minutes()));
      here.because().forEach(phrase -> card.how(desk.coreWords().say(phrase)));
    }
    if (!lifted.isEmpty()) {
      card.verdict(true, words.say("plan.lifted", lifted.replaceFirst("^\\w+:", "")));
    } else if (!answer.isEmpty()) {
      card.verdict(good, answer);
    }
    if (here == null) {
      schools(card, reckoned.get());
    }
    reasons(card, plan);
    card.key('+', words.say("plan.other"), this::nextSchool);
    evenings(card, plan, reckoned.get());
    card.key('E', words.say("plan.evenings.key"), this::nextEvening);
    card.key('6', "4 6", words.say("plan.walk"), () -> walk(1)).silent('4', () -> walk(-1));
    if (here != null) {
      card.key('5', words.say(lifted.isEmpty() ? "plan.lift" : "plan.drop"), this::lift);
    }
    card.key(Card.BACK, words.say("key.take-back"), desk::back);
    return card.go(words.say("plan.go"), this::take);
  }

  /** How long it all takes at this bench's own pace, and how many evenings that makes. */
  private void evenings(Card.Maker card, Plan plan, Reckoned reckoned) {
    Pace pace = reckoned.pace();
    Pace.Expected expected = pace.expected(open.parts(), plan.steps());
    card.why(
        pace.seen() == 0
            ? words.say("plan.pace.usual", time(expected.low()), time(expected.high()))
            : words.say("plan.pace.own", time(expected.low()), time(expected.high()), pace.seen()));
    if (!plan.sessions().isEmpty()) {
      card.why(words.say("plan.evenings", plan.sessions().size(), open.build().eveningMinutes()));
    }
  }

  private void nextEvening() {
    int now = EVENINGS.indexOf(open.build().eveningMinutes());
    open.act(new BuildEvent.PlansEvenings(EVENINGS.get((now + 1) % EVENINGS.size())));
  }

  private void schools(Card.Maker card, Reckoned reckoned) {
    reckoned
        .plans()
        .forEach((each, other) ->
            card.row(
                each == school ? Standing.NOW : Standing.TO_DO,
                words.say(
                    "plan.row",
                    words.say("plan." + each.text()),
                    other.cost().inversions(),
                    other.cost().turns(),
                    time(other.minutes()))));
  }

  private void reasons(Card.Maker card, Plan plan) {
    plan.repairs().forEach(repair -> card.why(desk.coreWords().say(repair)));
    if (!plan.misfits().isEmpty()) {
      card.row(
          Standing.DEVIATED,
          words.say(
              "plan.misfits",
              plan.misfits().size(),
              desk.coreWords().say(plan.misfits().getFirst())));
    }
    List<String> first =
        open.kit().bagged().stream()
            .filter(line -> !line.refs().isEmpty() && BenchTrial.of(line).isPresent())
            .map(line -> RefOrder.listed(line.refs()))
            .toList();
    if (!first.isEmpty()) {
      card.why(words.say("plan.try", String.join(", ", first)));
    }
    card.why(words.say(plan.optimal() ? "plan.proved" : "plan.bounded"));
    if (school != School.SHEET && !open.kit().sheet().isEmpty()) {
      card.why(
          plan.violations().isEmpty()
              ? words.say("plan.sheet-fine")
              : words.say(
                  "plan.sheet-breaks",
                  plan.violations().size(),
                  desk.coreWords().say(plan.violations().getFirst())));
    }
    if (!plan.blocked().isEmpty()) {
      card.why(words.say("plan.blocked", plan.blocked().stream().map(Plan.Blocked::ref).toList()));
    }
  }

  /** Gives what parts without designators are called, and how many they are. */
  static String byCount(Words words, Kit kit, Step step) {
    return kit.line(step.line())
        .map(line -> words.say("plan.by-count", LineNames.brief(words, line), step.count()))
        .orElse(step.line());
  }

  private String name(Step step) {
    if (step.isByCount()) {
      return byCount(words, open.kit(), step);
    }
    return step.refs().isEmpty()
        ? step.id()
        : step.refs().size() > 3
            ? step.refs().getFirst() + "–" + step.refs().getLast()
            : String.join(", ", step.refs());
  }

  private String time(double minutes) {
    long whole = Math.round(minutes);
    return words.say("time.hours", whole / 60, String.format(Locale.ROOT, "%02d", whole % 60));
  }

  @Override
  public Typed typed() {
    return typed;
  }

  @Override
  public Mat mat() {
    List<Step> all = plan().map(Plan::steps).orElse(List.of());
    List<Step> steps = steps();
    String here = cursor >= 0 && cursor < steps.size() ? steps.get(cursor).id() : "";
    List<SkylineMat.Other> others = new ArrayList<>();
    open.reckoned()
        .ifPresent(reckoned ->
            reckoned
                .plans()
                .forEach((each, plan) -> {
                  if (each != school) {
                    others.add(
                        new SkylineMat.Other(
                            each.name(), words.say("plan." + each.text()), plan.steps()));
                  }
                }));
    return new SkylineMat(
        words.say("plan.mat"),
        all,
        plan().map(Plan::sessions).orElse(List.of()),
        others,
        here,
        lifted,
        open.build(),
        open.kit(),
        words);
  }

  private void nextSchool() {
    List<School> known =
        open.reckoned().map(r -> List.copyOf(r.plans().keySet())).orElse(List.of(school));
    school = known.get((known.indexOf(school) + 1) % known.size());
    cursor = -1;
    lifted = "";
    answer = "";
  }

  private void walk(int by) {
    int count = steps().size();
    if (count > 0) {
      cursor = cursor < 0 ? (by > 0 ? 0 : count - 1) : Math.floorMod(cursor + by, count);
      answer = "";
    }
  }

  private void lift() {
    List<Step> steps = steps();
    if (cursor < 0 || cursor >= steps.size()) {
      return;
    }
    if (lifted.isEmpty()) {
      lifted = steps.get(cursor).id();
    } else {
      move(lifted, steps.get(cursor).id());
      lifted = "";
    }
  }

  private void move(String step, String before) {
    Plan plan = plan().orElse(null);
    if (plan == null || step.equals(before)) {
      return;
    }
    Move move = new Move(step, before);
    Optional<Phrase> refused =
        Planner.refusal(open.parts(), plan, open.build().choices(), open.lacking(), move);
    if (refused.isPresent()) {
      good = false;
      answer = words.say("plan.refused", desk.coreWords().say(refused.get()));
      return;
    }
    open.act(new BuildEvent.Moved(step, before));
    good = true;
    answer =
        words.say("plan.moved", step.replaceFirst("^\\w+:", ""), before.replaceFirst("^\\w+:", ""));
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("school:")) {
      school = School.valueOf(spot.substring("school:".length()));
      cursor = -1;
    } else if (spot.startsWith("step:")) {
      String id = spot.substring("step:".length());
      cursor = steps().stream().map(Step::id).toList().indexOf(id);
      if (!lifted.isEmpty()) {
        lift();
      }
    }
  }

  @Override
  public void drag(String from, String to) {
    if (from.startsWith("step:") && to.startsWith("step:")) {
      move(from.substring("step:".length()), to.substring("step:".length()));
    }
  }

  private void take() {
    open.act(new BuildEvent.TookSchool(school.text()));
    desk.go(Progress.nextGate(open).isPresent() ? StageId.POWER : StageId.FIT);
  }
}
