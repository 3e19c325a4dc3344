package humble.core.route;

import static org.assertj.core.api.Assertions.assertThat;

import humble.core.KitMaker;
import humble.core.kit.BoardState;
import humble.core.kit.LeadClass;
import humble.core.kit.Model;
import humble.core.kit.Mount;
import humble.core.kit.PackagePin;
import humble.core.kit.PartKind;
import humble.core.kit.PartPackage;
import humble.core.kit.Parts;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/**
 * Random kits with gates, tasks and chips. What must come before what is written down here as the
 * kit is made, from how it is wired, and every order is tried.
 */
class GateOrderTest {
  /** A kit, and what its maker knows of it. */
  private static final class Made {
    private final KitMaker maker = KitMaker.kit();
    private final Map<String, Trait> fits = new LinkedHashMap<>();
    private final Set<String> others = new LinkedHashSet<>();
    private final Set<List<String>> facts = new LinkedHashSet<>();

    void fact(String first, String then) {
      if (!first.equals(then)) {
        facts.add(List.of(first, then));
      }
    }
  }

  private record Trait(
      Side side, double height, LeadClass lead, PartKind kind, boolean fragile, int joints) {}

  private static Made made(Random random) {
    Made made = new Made();
    List<String> vcc = new ArrayList<>(List.of("U1.1"));
    List<String> gnd = new ArrayList<>(List.of("U1.2"));
    int parts = 3 + random.nextInt(3);
    List<String> carrying = new ArrayList<>();
    for (int i = 1; i <= parts; i++) {
      String ref = "X" + i;
      part(made, random, ref, List.of());
      vcc.add(ref + ".1");
      if (random.nextBoolean()) {
        gnd.add(ref + ".2");
        carrying.add("fit:" + ref);
      } else {
        made.maker.net("N" + i, ref + ".2");
      }
    }
    made.maker.pack(pack("p-sk", 3, LeadClass.PIN));
    made.maker.line("sk", PartKind.SOCKET, "", 5.0, "p-sk", null, List.of(), "SK1");
    made.maker.place("SK1", 60, 20);
    made.fits.put("fit:SK1", new Trait(Side.TOP, 3, LeadClass.PIN, PartKind.SOCKET, false, 2));
    Model load = new Model.Load("1", "2", 10, 1, Map.of());
    made.maker.line("u", PartKind.IC, "", 5.0, "p-sk", load, List.of(), "U1");
    made.maker.place("U1", Side.TOP, 60, 20, 0, Mount.SOCKETED, 0, null);
    made.others.add("insert:U1");
    made.fact("fit:SK1", "insert:U1");
    made.maker.net("VCC", vcc.toArray(String[]::new));
    made.maker.net("GND", gnd.toArray(String[]::new));
    made.maker.supply("s", 5, 500, "VCC", "GND");
    String absent = "X" + (1 + random.nextInt(parts));
    boolean hasAbsent = random.nextBoolean() && !carrying.contains("fit:" + absent);
    List<String> gone = new ArrayList<>(List.of("U1"));
    if (hasAbsent) {
      gone.add(absent);
    }
    made.maker.state(state("empty", gone));
    made.maker.state(state("whole", List.of()));
    gate(made, "g1", "empty", carrying);
    made.fact("fit:SK1", "g1");
    made.fact("g1", "insert:U1");
    if (hasAbsent) {
      made.fact("g1", "fit:" + absent);
    }
    if (random.nextBoolean()) {
      gate(made, "g2", "whole", carrying);
      made.fact("fit:SK1", "g2");
      made.fact("insert:U1", "g2");
    }
    for (int i = random.nextInt(3); i > 0; i--) {
      task(made, random, "t" + i, parts, carrying);
    }
    return made;
  }

  private static BoardState state(String id, List<String> absent) {
    return KitMaker.state(id, "s", absent, List.of(), Map.of());
  }

  private static void gate(Made made, String id, String state, List<String> carrying) {
    made.maker.gate(id, state, "U1.1", "U1.2");
    made.others.add(id);
    carrying.forEach(fit -> made.fact(fit, id));
  }

  /** A task after one part and before another that carries nothing, if there is one. */
  private static void task(Made made, Random random, String id, int parts, List<String> carrying) {
    String first = "X" + (1 + random.nextInt(parts));
    String then = "X" + (1 + random.nextInt(parts));
    boolean after = random.nextBoolean();
    boolean before =
        random.nextBoolean() && !then.equals(first) && !carrying.contains("fit:" + then);
    List<String> befores = before && first.compareTo(then) < 0 ? List.of(then) : List.of();
    made.maker.task(id, "prepare", after ? List.of(first) : List.of(), befores);
    made.others.add(id);
    if (after) {
      made.fact("fit:" + first, id);
    }
    befores.forEach(ref -> made.fact(id, "fit:" + ref));
  }

  private static void part(Made made, Random random, String ref, List<String> none) {
    double height = 1 + random.nextInt(4);
    LeadClass lead = random.nextBoolean() ? LeadClass.THIN : LeadClass.TAB;
    boolean fragile = random.nextInt(3) == 0;
    Side side = random.nextInt(3) == 0 ? Side.BOTTOM : Side.TOP;
    PartKind kind = random.nextBoolean() ? PartKind.RESISTOR : PartKind.FUSE;
    made.maker.pack(pack("p-" + ref, height, lead));
    made.maker.line(
        "l-" + ref,
        kind,
        "1k",
        5.0,
        "p-" + ref,
        new Model.Resistor(1000),
        fragile ? List.of("heat") : none,
        ref);
    // Far enough from each other that no body stands in the way of the iron at another's joints.
    int apart = 12 * Integer.parseInt(ref.substring(1));
    made.maker.place(ref, side, apart, 40, 0, Mount.FLUSH, 0, null);
    made.fits.put("fit:" + ref, new Trait(side, height, lead, kind, fragile, 2));
  }

  private static PartPackage pack(String id, double height, LeadClass lead) {
    return new PartPackage(
        id,
        height,
        List.of(new PackagePin("1", new PointMm(0, 0)), new PackagePin("2", new PointMm(2, 0))),
        lead);
  }

  @Property(tries = 200)
  void noOrderIsBetterAndNoFactIsBroken(@ForAll long seed, @ForAll boolean sturdy) throws NoPlan {
    Made made = made(new Random(seed));
    School school = sturdy ? School.STURDY : School.LOW;
    Parts parts = made.maker.parts();
    Plan plan = Planner.plan(parts, school, Map.of(), 0, Set.of());
    List<String> ids =
        plan.steps().stream().filter(step -> step.act() != Step.Act.TURN).map(Step::id).toList();
    Set<String> all = new LinkedHashSet<>(made.fits.keySet());
    all.addAll(made.others);
    assertThat(ids).containsExactlyInAnyOrderElementsOf(all);
    for (List<String> fact : made.facts) {
      assertThat(ids.indexOf(fact.getFirst()))
          .as("%s in %s", fact, ids)
          .isLessThan(ids.indexOf(fact.getLast()));
    }
    int[] best = null;
    for (List<String> order : orders(made, all, new ArrayList<>(), new LinkedHashSet<>())) {
      int[] score = score(made, order, school);
      best = best == null || Arrays.compare(score, best) < 0 ? score : best;
    }
    assertThat(score(made, ids.stream().filter(made.fits::containsKey).toList(), school))
        .as("%s", ids)
        .isEqualTo(best);
    assertThat(plan.optimal()).isTrue();
  }

  /** The orders of fits that some order of everything allows. */
  private static Set<List<String>> orders(
      Made made, Set<String> all, List<String> begun, Set<List<String>> found) {
    if (begun.size() == all.size()) {
      found.add(begun.stream().filter(made.fits::containsKey).toList());
      return found;
    }
    // What is no fit can always be done as soon as it may be: it hinders no other step.
    Set<String> open =
        all.stream()
            .filter(id -> !begun.contains(id))
            .filter(id ->
                made.facts.stream()
                    .noneMatch(f -> f.getLast().equals(id) && !begun.contains(f.getFirst())))
            .collect(Collectors.toCollection(LinkedHashSet::new));
    Set<String> next =
        open.stream()
            .filter(made.others::contains)
            .limit(1)
            .collect(Collectors.toCollection(LinkedHashSet::new));
    for (String id : next.isEmpty() ? open : next) {
      begun.add(id);
      orders(made, all, begun, found);
      begun.removeLast();
    }
    return found;
  }

  /** The measures by their definitions. */
  private static int[] score(Made made, List<String> fits, School school) {
    int inversions = 0;
    int turns = 0;
    int tools = 0;
    int exposure = 0;
    int changes = 0;
    for (int i = 0; i < fits.size(); i++) {
      Trait node = made.fits.get(fits.get(i));
      if (i > 0) {
        Trait last = made.fits.get(fits.get(i - 1));
        turns += last.side() != node.side() ? 1 : 0;
        tools += last.lead() != node.lead() ? 1 : 0;
        changes += last.kind() != node.kind() ? 1 : 0;
      }
      for (String each : fits.subList(i + 1, fits.size())) {
        Trait later = made.fits.get(each);
        boolean above = node.side() == later.side();
        inversions += above && node.height() > later.height() + 0.5 ? 1 : 0;
        exposure += node.fragile() ? later.joints() : 0;
      }
    }
    return school == School.LOW
        ? new int[] {inversions, turns, tools, exposure, changes}
        : new int[] {exposure, inversions, turns, tools, changes};
  }
}
