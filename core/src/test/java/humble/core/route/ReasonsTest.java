package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.LeadClass;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/**
 * Every reason is true of the order it stands in: each is worked out again from the steps alone.
 */
class ReasonsTest {
  /** Parts that have to do with each other: rules, a wash, two boards, two sides, blocks. */
  private static Parts kit(Random random) {
    KitMaker maker = KitMaker.kit();
    int parts = 4 + random.nextInt(5);
    List<List<String>> blocks = List.of(new ArrayList<>(), new ArrayList<>());
    List<Integer> sheet = new ArrayList<>();
    for (int i = 1; i <= parts; i++) {
      LeadClass lead = LeadClass.values()[random.nextInt(4)];
      maker.pack(
          new PartPackage(
              "p" + i,
              1 + random.nextInt(8) * 0.5,
              List.of(
                  new PackagePin("1", new PointMm(0, 0)), new PackagePin("2", new PointMm(2, 0))),
              lead));
      maker.line(
          "l" + i,
          random.nextBoolean() ? PartKind.FUSE : PartKind.CONNECTOR,
          "",
          5.0,
          "p" + i,
          new Model.Open(),
          random.nextInt(3) == 0
              ? List.of("heat")
              : random.nextInt(4) == 0 ? List.of("water") : List.of(),
          "X" + i);
      maker.place(place(random, i));
      blocks.get(random.nextInt(2)).add("X" + i);
      sheet.add(random.nextInt(sheet.size() + 1), i);
    }
    maker.block("a", List.of("g"), List.of("b"), blocks.get(0).toArray(String[]::new));
    maker.block("b", List.of(), List.of(), blocks.get(1).toArray(String[]::new));
    maker.state("on", null);
    maker.gate("g", "on", "A", "B", random.nextBoolean() ? "X1" : "X2");
    maker.net("A", "X1.1");
    maker.net("B", "X2.1");
    maker.task("scrub", "clean", List.of("soldering"), List.of());
    maker.task("make", "prepare", List.of(), List.of("X" + (1 + random.nextInt(parts))));
    maker.rule("X" + (2 + random.nextInt(parts - 1)), "X1", "so it is");
    sheet.stream().skip(random.nextInt(3)).forEach(i -> maker.sheet("fit", "", "X" + i));
    return maker.parts();
  }

  private static Place place(Random random, int i) {
    return new Place(
        "X" + i,
        random.nextInt(4) == 0 ? "other" : "main",
        random.nextInt(3) == 0 ? Side.BOTTOM : Side.TOP,
        new PointMm(5 * i, 5),
        0,
        random.nextInt(5) == 0 ? Mount.LYING : Mount.FLUSH,
        0,
        null,
        null,
        i > 1 && random.nextInt(8) == 0 ? "X1" : null,
        null,
        List.of(),
        List.of(),
        0,
        1);
  }

  @Property(tries = 400)
  void everyReasonIsTrueOfItsPlace(@ForAll long seed, @ForAll School school) {
    Parts parts = kit(new Random(seed));
    Plan plan;
    try {
      plan = Planner.plan(parts, school, Map.of(), 0, Set.of());
    } catch (NoPlan circle) {
      assertThat(circle.circle()).isNotEmpty();
      return;
    }
    for (Step step : plan.steps()) {
      assertThat(step.because()).as("%s", step).isNotEmpty();
      for (Phrase phrase : step.because()) {
        assertThat(isTrue(phrase, step, plan, parts))
            .as("%s at %s in %s", phrase, step.id(), plan.steps().stream().map(Step::id).toList())
            .isTrue();
      }
    }
  }

  private static boolean isTrue(Phrase phrase, Step step, Plan plan, Parts parts) {
    List<Step> fits = plan.steps().stream().filter(s -> s.act() == Step.Act.FIT).toList();
    int at = fits.indexOf(step);
    Step last = at > 0 ? fits.get(at - 1) : null;
    List<Step> later = at < 0 ? List.of() : fits.subList(at + 1, fits.size());
    Predicate<Step> here =
        other ->
            other.board().equals(step.board())
                && other.side() == step.side()
                && isDropped(other, parts);
    return switch (phrase.key()) {
      case "route.lowest" ->
          isDropped(step, parts)
              && later.stream().filter(here).allMatch(o -> o.heightMm() >= step.heightMm());
      case "route.tallest" ->
          isDropped(step, parts)
              && later.stream().noneMatch(here)
              && fits.stream().filter(here).allMatch(o -> o.heightMm() <= step.heightMm());
      case "route.same-tool" ->
          last != null
              && here.test(last)
              && Math.abs(last.heightMm() - step.heightMm()) <= 0.5
              && lead(last, parts) == lead(step, parts);
      case "route.same-height" ->
          last != null && here.test(last) && Math.abs(last.heightMm() - step.heightMm()) <= 0.5;
      case "route.rises" ->
          last != null
              && here.test(last)
              && phrase.arguments().get(0).equals(last.heightMm())
              && last.heightMm() < step.heightMm();
      case "route.fragile" ->
          phrase.arguments().getFirst().equals(later.stream().mapToInt(Step::joints).sum());
      case "route.last-fit" -> later.isEmpty();
      case "route.jig" -> isTogether(step, plan, parts);
      case "route.jig-apart" -> !isTogether(step, plan, parts);
      case "route.smd" ->
          Stream.concat(step.refs().stream(), phrase.arguments().stream().map(Object::toString))
              .anyMatch(ref -> parts.get(ref).pack().lead() == LeadClass.SMD);
      case "route.block", "route.block-fitted", "route.block-measured", "route.block-again" ->
          block(phrase, step, plan, parts);
      case "route.no-block" -> later.stream().allMatch(o -> blockOf(o, parts) < 0);
      case "route.blockless" -> blockOf(step, parts) < 0;
      case "route.free" -> true;
      case "route.room" -> isWalledInLater(phrase, step, plan, parts);
      case "route.sheet", "route.sheet-elsewhere", "route.sheet-forgets" ->
          plan.school() == School.SHEET
              && phrase.key().endsWith("forgets")
                  == parts.kit().sheet().stream()
                      .noneMatch(entry -> entry.refs().containsAll(step.refs()));
      case "route.rule",
          "route.task-before",
          "route.task-after",
          "route.gate-before",
          "route.gate-needs",
          "route.after-soldering",
          "route.water",
          "route.chain" ->
          true;
      case "route.found" -> !plan.optimal();
      case "route.swap-jig" ->
          parts.kit().places().stream()
              .anyMatch(p -> p.jig() != null && List.of(p.ref(), p.jig()).contains(first(later)));
      case "route.turn" -> plan.steps().get(step.n()).side() == step.side();
      case "route.take-up" -> plan.steps().get(step.n()).board().equals(step.board());
      default ->
          phrase.key().startsWith("route.swap-")
                  && (Integer) phrase.arguments().get(1) > (Integer) phrase.arguments().get(2)
              || phrase.key().equals("route.alike");
    };
  }

  /** The body comes later, on the side that is soldered, nearer than it is high. */
  private static boolean isWalledInLater(Phrase phrase, Step step, Plan plan, Parts parts) {
    String joint = phrase.arguments().get(0).toString();
    String by = phrase.arguments().get(1).toString();
    Place body = parts.get(by).place();
    Place own = parts.get(joint.substring(0, joint.indexOf('.'))).place();
    boolean smd = parts.get(own.ref()).pack().lead() == LeadClass.SMD;
    boolean near = Math.abs(body.at().xMm() - own.at().xMm()) < 2 + 1.2 + 4.5;
    int at =
        plan.steps().stream()
            .filter(s -> s.act() == Step.Act.FIT && s.refs().contains(by))
            .mapToInt(Step::n)
            .findFirst()
            .orElse(0);
    return near
        && smd == (body.side() == own.side())
        && body.board().equals(own.board())
        && (step.refs().contains(own.ref()) ? step.n() < at : step.n() == at);
  }

  private static boolean block(Phrase phrase, Step step, Plan plan, Parts parts) {
    int block = blockOf(step, parts);
    List<Step> before = plan.steps().subList(0, step.n() - 1);
    List<Step> after = plan.steps().subList(step.n(), plan.steps().size());
    boolean begun = before.stream().anyMatch(s -> blockOf(s, parts) == block && block >= 0);
    boolean fitted =
        after.stream()
            .filter(s -> s.act() == Step.Act.FIT)
            .noneMatch(s -> blockOf(s, parts) >= 0 && blockOf(s, parts) < block);
    boolean measured = before.stream().anyMatch(s -> s.id().equals("g"));
    return switch (phrase.key()) {
      case "route.block-again" -> begun;
      case "route.block-fitted" ->
          !begun && fitted && before.stream().anyMatch(s -> !s.refs().isEmpty());
      case "route.block-measured" -> !begun && fitted && measured && block == 1;
      default -> !begun;
    };
  }

  private static String first(List<Step> steps) {
    return steps.getFirst().refs().getFirst();
  }

  private static int blockOf(Step step, Parts parts) {
    for (int i = 0; i < parts.kit().blocks().size(); i++) {
      if (!step.refs().isEmpty()
          && parts.kit().blocks().get(i).refs().contains(step.refs().getFirst())) {
        return i;
      }
    }
    return -1;
  }

  private static boolean isDropped(Step step, Parts parts) {
    Place place = parts.get(step.refs().getFirst()).place();
    return place != null && place.mount() != Mount.LYING && lead(step, parts) != LeadClass.SMD;
  }

  private static LeadClass lead(Step step, Parts parts) {
    return parts.get(step.refs().getFirst()).pack().lead();
  }

  /** Whether the parts that X1 holds, and X1, stand one after the other with nothing between. */
  private static boolean isTogether(Step step, Plan plan, Parts parts) {
    Set<String> held = new HashSet<>(Set.of("X1"));
    parts.kit().places().stream().filter(p -> p.jig() != null).forEach(p -> held.add(p.ref()));
    List<Integer> at =
        plan.steps().stream()
            .filter(s -> s.act() != Step.Act.TURN)
            .map(s -> !s.refs().isEmpty() && held.contains(s.refs().getFirst()) ? 1 : 0)
            .toList();
    return at.lastIndexOf(1) - at.indexOf(1) + 1 == held.size()
        && held.contains(step.refs().getFirst());
  }

  @Test
  void noReasonShowsAnIdThatNobodyCanRead() throws NoPlan {
    Parts parts =
        KitMaker.kit()
            .resistor("R1", "1k")
            .place("R1", 10, 10)
            .task("t1", "prepare", List.of(), List.of())
            .task("t2", "prepare", List.of("t1"), List.of("R1"))
            .parts();
    assertThat(
            Planner.plan(parts, School.LOW, Map.of(), 0, Set.of()).steps().stream()
                .flatMap(step -> step.because().stream())
                .filter(phrase -> phrase.key().equals("route.task-after"))
                .map(phrase -> phrase.arguments().getLast()))
        .isNotEmpty()
        .allMatch("“task t1”"::equals);
  }
}
