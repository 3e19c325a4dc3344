package humble.desktop.fit;

import humble.core.build.BuildEvent;
import humble.core.craft.Hints;
import humble.core.craft.Hold;
import humble.core.craft.Inspection;
import humble.core.craft.JointOrder;
import humble.core.craft.StandOff;
import humble.core.craft.WireTable;
import humble.core.kit.Board;
import humble.core.kit.Caution;
import humble.core.kit.Choices;
import humble.core.kit.Finding;
import humble.core.kit.KitOption;
import humble.core.kit.Mount;
import humble.core.kit.Part;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.kit.Task;
import humble.core.kit.Winding;
import humble.core.kit.WireRun;
import humble.core.orient.BoardView;
import humble.core.orient.Harm;
import humble.core.orient.NetTrace;
import humble.core.orient.Pin1;
import humble.core.route.Plan;
import humble.core.route.Step;
import humble.core.words.Phrase;
import humble.core.words.Words;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.LineNames;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SequencedMap;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Fits part by part, in the order of the plan: which way round, how to hold it, what to look at.
 */
public final class FitStage implements Stage {
  private static final int MARKS_NEEDED = 2;

  private static final int MOST_JOINED = 9;

  /** About what a magnified board is drawn at, for a hand that pulls it. */
  private static final double MAGNIFIED_PX_PER_MM = 15;

  private static final int CUES_KEY = 0;
  private static final int TURN_KEY = 5;
  private static final int FLIP_KEY = 6;

  /** What the digits do that are not needed for marks, in the order shown. */
  private static final SequencedMap<Integer, String> KEYS = keys();

  private static SequencedMap<Integer, String> keys() {
    SequencedMap<Integer, String> keys = new LinkedHashMap<>();
    keys.put(CUES_KEY, "cues");
    keys.put(TURN_KEY, "turn");
    keys.put(7, "net");
    keys.put(8, "magnify");
    keys.put(9, "inspect");
    return keys;
  }

  /** Stands in where a kit that was typed in has no board: nothing is drawn on it. */
  private static final Board NO_BOARD = new Board("", "", 100, 60, 1.6, List.of(), Map.of());

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final Faces faces;
  private int focus;
  private Optional<PinRef> followed = Optional.empty();
  private final Set<String> putAway = new HashSet<>();
  private Optional<Hand> opened = Optional.empty();
  private boolean magnified;

  /** How far the piece under the magnifier was pulled, as seen, in millimetres. */
  private PointMm pulledMm = new PointMm(0, 0);

  private int choice;

  /** Makes the stage. */
  public FitStage(OpenBuild open, Desk desk) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.faces = new Faces(open::layers, open::inBackground, desk::refresh);
  }

  private Optional<Step> current() {
    return open.plan()
        .flatMap(plan ->
            plan.steps().stream()
                .filter(step -> !Progress.stepDone(open.build(), step))
                .findFirst());
  }

  /** The board in hand: that of the step, else that of the last part fitted. */
  private Board board() {
    List<Board> boards = open.kit().boards();
    String id = current().map(this::boardOf).filter(name -> !name.isEmpty()).orElseGet(this::last);
    return open.kit().board(id).orElseGet(() -> boards.isEmpty() ? NO_BOARD : boards.getFirst());
  }

  /** A task is done on the board of the parts that it follows or goes before. */
  private String boardOf(Step step) {
    if (!step.board().isEmpty() || step.act() != Step.Act.TASK) {
      return step.board();
    }
    return open.kit().task(step.id()).stream()
        .flatMap(task -> Stream.concat(task.after().stream(), task.before().stream()))
        .flatMap(name -> open.fittedParts().part(name).flatMap(Part::placed).stream())
        .map(Place::board)
        .findFirst()
        .orElse("");
  }

  private String last() {
    String board = "";
    for (String ref : open.build().fittedRefs()) {
      board = open.fittedParts().part(ref).flatMap(Part::placed).map(Place::board).orElse(board);
    }
    return board;
  }

  private BoardView view() {
    Board board = board();
    Side usual = current().map(Step::side).orElse(Side.TOP);
    return open.build()
        .view(board.id())
        .map(turned ->
            new BoardView(board, Side.named(turned.side()).orElse(Side.TOP), turned.turnDeg()))
        .orElseGet(() -> new BoardView(board, usual, 0));
  }

  /** What has a card of its own now: what was opened by key, or what the step begins with. */
  private Optional<Hand> hand() {
    opened = opened.filter(hand -> !hand.over());
    if (opened.isEmpty() && open.plan().isPresent()) {
      opened = current().flatMap(this::beginsWith).filter(hand -> !hand.over());
    }
    return opened;
  }

  /** A coil is wound and a module's labels are read before it is fitted. */
  private Optional<Hand> beginsWith(Step step) {
    if (open.stopBefore(names(step)).isPresent() || putAway.contains(step.id())) {
      return Optional.empty();
    }
    String ref = step.refs().isEmpty() ? "" : step.refs().getFirst();
    boolean task = step.act() == Step.Act.TASK;
    Optional<Winding> winding =
        task
            ? open.kit().task(step.id()).filter(t -> t.kind().equals("wind")).flatMap(this::unwound)
            : open.kit().handwork().windingOf(ref);
    Optional<Hand> wind =
        winding.filter(w -> !WindHand.isWound(open, w)).map(w -> new WindHand(open, desk, w));
    return wind.or(() ->
        open.kit()
            .handwork()
            .rowsOf(ref)
            .filter(rows -> ModuleHand.canBeTyped(rows) && !ModuleHand.isRead(open, rows))
            .map(rows -> new ModuleHand(open, desk, rows)));
  }

  private Optional<Winding> unwound(Task task) {
    List<Winding> windings = open.kit().handwork().windings();
    return windings.stream()
        .filter(winding -> task.before().contains(winding.ref()))
        .findFirst()
        .or(() -> windings.stream().filter(w -> !WindHand.isWound(open, w)).findFirst());
  }

  @Override
  public Card card() {
    Plan plan = open.plan().orElse(null);
    if (plan == null) {
      return new Card.Maker(words.say("fit.kicker.plain"), words.say("plan.planning"))
          .notYet(words.say("plan.wait"));
    }
    Optional<Hand> hand = hand();
    if (hand.isPresent()) {
      return hand.get().card();
    }
    Step step = current().orElse(null);
    if (step == null) {
      return finish(
              new Card.Maker(words.say("fit.kicker.plain"), words.say("fit.all-done"))
                  .how(words.say("fit.all-done.how")))
          .go(words.say("fit.to-load"));
    }
    Card.Maker card =
        new Card.Maker(
            words.say(
                "fit.kicker",
                step.n(),
                plan.steps().size(),
                words.say("plan." + plan.school().text())),
            title(step));
    Caution stop = open.stopBefore(names(step)).orElse(null);
    if (stop != null) {
      return finish(card.how(words.say("caution.stop.how")).caution(true, stop.text()))
          .go(words.say("caution.stop.go"));
    }
    return switch (step.act()) {
      case FIT, INSERT -> part(card, step);
      case GATE -> finish(card.how(words.say("fit.gate.how"))).go(words.say("fit.to-power"));
      case TASK -> task(card, step);
      case TURN ->
          finish(card.how(words.say(otherBoard(step) ? "fit.take-up.how" : "fit.turn.how")))
              .go(words.say(otherBoard(step) ? "fit.taken-up" : "fit.turned"));
      case CHOOSE -> choose(card, step);
    };
  }

  /** Tells whether a turn lays another board on the bench. */
  private boolean otherBoard(Step step) {
    return !step.board().equals(last());
  }

  private static List<String> names(Step step) {
    List<String> names = new ArrayList<>(step.refs());
    names.add(step.id());
    return names;
  }

  private String title(Step step) {
    return switch (step.act()) {
      case FIT, INSERT -> {
        Part part = open.fittedParts().get(step.refs().getFirst());
        String refs =
            step.refs().size() > 3
                ? step.refs().getFirst() + "–" + step.refs().getLast()
                : String.join(", ", step.refs());
        yield words.say(
            step.act() == Step.Act.FIT ? "fit.title" : "fit.insert",
            refs,
            LineNames.single(words, part.line()));
      }
      case GATE -> open.kit().gate(step.id()).map(gate -> gate.title()).orElse(step.id());
      case TASK -> words.say("fit.task");
      case TURN ->
          otherBoard(step) ? words.say("fit.take-up", step.board()) : words.say("fit.turn");
      case CHOOSE -> option(step).map(KitOption::question).orElse(step.id());
    };
  }

  private Optional<KitOption> option(Step step) {
    return open.kit().options().stream()
        .filter(option -> option.id().equals(step.id()))
        .findFirst();
  }

  private Card task(Card.Maker card, Step step) {
    Task task = open.kit().task(step.id()).orElse(null);
    if (task == null) {
      return finish(card).go(words.say("fit.task.go"));
    }
    card.how(task.title());
    String craft = "fit.task." + task.kind();
    if (words.knows(craft)) {
      card.how(words.say(craft));
    }
    for (WireTable.Row row :
        WireTable.of(open.fittedParts(), open.kit().handwork().wiresOf(task.id()))) {
      WireRun wire = row.wire();
      card.row(
          Standing.TO_DO,
          words.say(
              row.function().isEmpty() ? "fit.wire" : "fit.wire.net",
              wire.id(),
              wire.colour(),
              wire.from(),
              wire.to(),
              row.function()));
      row.warning().ifPresent(warning -> card.verdict(false, desk.coreWords().say(warning)));
    }
    caution(card, step);
    why(card, step);
    Inspection inspection = inspection();
    boolean looks = task.kind().equals("inspect") && !inspection.joints().isEmpty();
    if (looks) {
      long good = InspectHand.good(open, inspection);
      card.row(
          good == inspection.joints().size() ? Standing.DONE : Standing.TO_DO,
          words.say("fit.inspect.so-far", good, inspection.joints().size()));
      if (good == 0) {
        return finish(card).go(words.say("fit.inspect.begin"));
      }
    }
    return finish(card).go(words.say("fit.task.go"));
  }

  private Inspection inspection() {
    return Inspection.of(open.fittedParts(), board().id(), open.build().fittedRefs());
  }

  private Card choose(Card.Maker card, Step step) {
    KitOption option = option(step).orElseThrow();
    List<KitOption.Choice> choices = option.choices();
    for (int i = 0; i < choices.size(); i++) {
      int number = i;
      card.row(
          i == choice ? Standing.NOW : Standing.TO_DO,
          words.say("fit.choice", i + 1, choices.get(i).label()));
      card.hint(
          Integer.toString(i + 1),
          choices.get(i).id(),
          () -> {
            choice = number;
            desk.refresh();
          });
    }
    card.why(desk.coreWords().say(step.because().getFirst()));
    return finish(card)
        .go(words.say("fit.take", choices.get(Math.min(choice, choices.size() - 1)).label()));
  }

  private Card part(Card.Maker card, Step step) {
    Part part = open.fittedParts().get(step.refs().getFirst());
    Place place = part.placed().orElseGet(() -> Place.unknown(part.ref()));
    Optional<NetTrace> trace = followed.flatMap(pin -> NetTrace.of(open.fittedParts(), pin));
    if (trace.isPresent()) {
      net(card, trace.get());
      return finish(card).go(words.say("fit.net.leave"));
    }
    if (part.placed().isEmpty()) {
      card.how(words.say("fit.unplaced", part.ref()));
    }
    PartWords said = said(part, focused(step));
    boolean keptOut = isKeptOut(part);
    // What is wired pin by pin sits in no row: neither a way round nor a height can be told.
    if (!keptOut) {
      said.orientation().forEach(card::how);
    }
    StandOff stand =
        StandOff.of(part, open.reckoned().map(r -> r.watts().get(part.ref())).orElse(0.0));
    // Where two marks are asked for, the card is full: how to solder it stands with the reasons.
    boolean full = Harm.ifReversed(part).needsTwoMarks();
    String row =
        open.build()
            .module(part.ref())
            .filter(read -> !read.row().isEmpty())
            .map(read -> words.say("fit.module.into", read.row()) + " ")
            .orElse("");
    String how =
        place.mount() == Mount.SOCKETED
            ? words.say("fit.mount.socketed")
            : row
                + desk.coreWords().say(stand.how())
                + (full ? "" : " " + desk.coreWords().say(Hold.of(part).how()));
    boolean usual = full && !stand.raised() && row.isEmpty();
    if (!usual && !keptOut) {
      card.how(how);
    }
    Optional<String> tack = step.act() == Step.Act.FIT ? said.tack() : Optional.empty();
    tack.filter(line -> !full).ifPresent(card::how);
    if (place.rowHoles() > 0) {
      card.how(words.say("fit.row", place.rowFrom(), place.rowHoles()));
    }
    if (!place.leaveEmpty().isEmpty()) {
      card.how(words.say("fit.empty", place.leaveEmpty()));
    }
    rowsToCompare(card, part);
    List<Phrase> hints =
        step.act() == Step.Act.FIT ? Hints.of(open.fittedParts(), focused(step)) : List.of();
    int shown = full ? 0 : 1;
    hints.stream().limit(shown).forEach(hint -> card.how(desk.coreWords().say(hint)));
    caution(card, step);
    if (open.build().doubtfulLines().contains(part.line().id())) {
      card.verdict(false, words.say("fit.cues.batch"));
    }
    List<String> marks = said.marks();
    Set<String> seen = open.build().marksSeen(step.id());
    Harm harm = Harm.ifReversed(part);
    if (harm.needsTwoMarks()) {
      card.row(Standing.NOW, words.say("fit.two-marks"));
      for (int i = 0; i < marks.size(); i++) {
        card.row(
            seen.contains(marks.get(i)) ? Standing.DONE : Standing.TO_DO,
            words.say("fit.choice", i + 1, said.markText(marks.get(i))));
      }
    }
    if (step.act() == Step.Act.FIT) {
      card.why(desk.coreWords().say(stand.because()));
      card.why(desk.coreWords().say(stand.otherSchool()));
    }
    if (usual) {
      card.why(how);
    }
    if (full && place.mount() != Mount.SOCKETED) {
      card.why(desk.coreWords().say(Hold.of(part).how()));
    }
    tack.filter(line -> full).ifPresent(card::why);
    hints.stream().skip(shown).forEach(hint -> card.why(desk.coreWords().say(hint)));
    why(card, step);
    boolean enough = !harm.needsTwoMarks() || seen.size() >= Math.min(MARKS_NEEDED, marks.size());
    finish(card);
    if (step.refs().size() > 1) {
      card.hint(
          "+",
          words.say("fit.next-place"),
          () -> {
            plus();
            desk.refresh();
          });
    }
    String go = words.say(step.act() == Step.Act.INSERT ? "fit.inserted" : "fit.go");
    return enough
        ? card.go(go)
        : card.notYet(
            words.say("fit.look-first", Math.min(MARKS_NEEDED, marks.size()) - seen.size()));
  }

  private boolean isKeptOut(Part part) {
    return open.build().module(part.ref()).map(read -> read.row().isEmpty()).orElse(false);
  }

  /** A module that was kept out, or whose labels are too many to type, is compared by eye. */
  private void rowsToCompare(Card.Maker card, Part part) {
    open.kit()
        .handwork()
        .rowsOf(part.ref())
        .filter(rows -> !ModuleHand.isRead(open, rows))
        .ifPresent(rows -> {
          card.verdict(
              false, words.say(isKeptOut(part) ? "fit.module.wire" : "fit.module.compare"));
          rows.rows()
              .forEach(row -> card.how(words.say("fit.module.labels", row.id(), row.labels())));
        });
  }

  private PartWords said(Part part, String ref) {
    return new PartWords(open.fittedParts(), view(), part, ref, words, desk.coreWords());
  }

  private String focused(Step step) {
    return step.refs().get(Math.min(focus, step.refs().size() - 1));
  }

  /** What the followed net joins, and what each is for. */
  private void net(Card.Maker card, NetTrace trace) {
    card.verdict(true, words.say("fit.net", trace.net(), trace.joined().size()));
    trace.joined().stream()
        .limit(MOST_JOINED)
        .forEach(joined -> card.row(Standing.DONE, desk.coreWords().say(joined.what())));
    if (trace.joined().size() > MOST_JOINED) {
      card.row(Standing.TO_DO, words.say("fit.net.more", trace.joined().size() - MOST_JOINED));
    }
  }

  /** Goes from net to net of the part in hand, then back to none. */
  private void followNext() {
    Part part =
        current()
            .filter(step -> !step.refs().isEmpty())
            .flatMap(step ->
                open.fittedParts().part(step.refs().get(Math.min(focus, step.refs().size() - 1))))
            .orElse(null);
    if (part == null) {
      return;
    }
    List<PinRef> pins =
        part.pack().pins().stream()
            .map(pin -> new PinRef(part.ref(), pin.number()))
            .filter(pin -> NetTrace.of(open.fittedParts(), pin).isPresent())
            .toList();
    int next = followed.map(pins::indexOf).orElse(-1) + 1;
    followed = next < pins.size() ? Optional.of(pins.get(next)) : Optional.empty();
  }

  @Override
  public void pick(String spot) {
    if (spot.startsWith("pad:")) {
      Optional<PinRef> pin = PinRef.parse(spot.substring("pad:".length()));
      followed = followed.equals(pin) ? Optional.empty() : pin;
    }
  }

  private void caution(Card.Maker card, Step step) {
    for (Caution caution : open.kit().cautions()) {
      if (step.refs().contains(caution.at()) || step.id().equals(caution.at())) {
        card.caution(caution.level() != Caution.Level.CARE, caution.text());
        return;
      }
    }
    if (!step.refs().isEmpty()) {
      Part part = open.fittedParts().get(step.refs().getFirst());
      Harm harm = Harm.ifReversed(part);
      if (harm.needsTwoMarks()) {
        card.caution(
            harm == Harm.DANGER,
            words.say("fit.harm." + harm.name().toLowerCase(java.util.Locale.ROOT)));
      }
    }
  }

  private void why(Card.Maker card, Step step) {
    for (Phrase phrase :
        step.because().subList(Math.max(0, step.because().size() - 2), step.because().size())) {
      card.why(desk.coreWords().say(phrase));
    }
  }

  private Card.Maker finish(Card.Maker card) {
    card.hint(
        "−",
        words.say("key.take-back"),
        () -> {
          open.takeBack();
          desk.go(StageId.FIT);
        });
    card.hint("*", words.say("key.note"), () -> desk.note());
    boolean weighs =
        current()
            .filter(step -> step.act() == Step.Act.FIT)
            .map(step -> CuesHand.weighs(open.fittedParts().get(focused(step)).line()))
            .orElse(false);
    KEYS.forEach((digit, key) -> {
      if (digit != CUES_KEY || weighs) {
        card.hint(
            digit == TURN_KEY ? TURN_KEY + " " + FLIP_KEY : Integer.toString(digit),
            words.say("fit.key." + key),
            () -> {
              tool(digit);
              desk.refresh();
            });
      }
    });
    return card;
  }

  @Override
  public void digit(int digit) {
    Optional<Hand> hand = hand();
    if (hand.isPresent()) {
      hand.get().digit(digit);
      if (hand.get().over()) {
        current().map(Step::id).ifPresent(putAway::add);
      }
      return;
    }
    Step step = current().orElse(null);
    if (step == null) {
      return;
    }
    if (step.act() != Step.Act.CHOOSE && (KEYS.containsKey(digit) || digit == FLIP_KEY)) {
      tool(digit);
    } else if (step.act() == Step.Act.CHOOSE) {
      int most = option(step).map(o -> o.choices().size()).orElse(1);
      choice = Math.max(1, Math.min(digit, most)) - 1;
    } else if (!step.refs().isEmpty()) {
      Part part = open.fittedParts().get(step.refs().getFirst());
      List<String> marks = said(part, part.ref()).marks();
      boolean asked = Harm.ifReversed(part).needsTwoMarks() && digit <= marks.size();
      if (asked && !open.build().marksSeen(step.id()).contains(marks.get(digit - 1))) {
        open.act(new BuildEvent.MarkSeen(step.id(), marks.get(digit - 1)));
      }
    }
  }

  /** What the digits above the marks do. */
  private void tool(int digit) {
    switch (digit) {
      case CUES_KEY -> weigh();
      case TURN_KEY -> letter('T');
      case FLIP_KEY -> letter('F');
      case 7 -> letter('N');
      case 8 -> magnify(!magnified);
      case 9 -> inspect();
      default -> {}
    }
  }

  private void magnify(boolean on) {
    magnified = on;
    pulledMm = new PointMm(0, 0);
  }

  /** What is under the magnifier follows the hand; the whole board stays where it is. */
  @Override
  public boolean pull(double dx, double dy) {
    if (!magnified || hand().isPresent()) {
      return false;
    }
    pulledMm = pulledMm.plus(new PointMm(-dx / MAGNIFIED_PX_PER_MM, dy / MAGNIFIED_PX_PER_MM));
    return true;
  }

  @Override
  public void wheel(boolean up) {
    if (up != magnified) {
      magnify(up);
    }
  }

  private void inspect() {
    InspectHand inspect = new InspectHand(open, desk, view(), faces);
    opened = inspect.over() ? Optional.empty() : Optional.of(inspect);
  }

  private void weigh() {
    opened =
        current()
            .filter(step -> step.act() == Step.Act.FIT)
            .map(step -> open.fittedParts().get(focused(step)).line())
            .filter(CuesHand::weighs)
            .map(line -> new CuesHand(open, desk, line));
  }

  @Override
  public void typing(String typed) {
    hand().ifPresent(hand -> hand.typing(typed));
  }

  @Override
  public void plus() {
    Optional<Hand> hand = hand();
    if (hand.isPresent()) {
      hand.get().plus();
      if (hand.get().over()) {
        current().map(Step::id).ifPresent(putAway::add);
      }
      return;
    }
    focus =
        current()
            .map(step -> step.refs().isEmpty() ? 0 : (focus + 1) % step.refs().size())
            .orElse(0);
  }

  @Override
  public void letter(char letter) {
    BoardView next = letter == 'T' ? view().turned() : letter == 'F' ? view().flipped() : null;
    if (letter == 'N') {
      followNext();
    }
    if (next != null) {
      open.act(new BuildEvent.Turned(next.board().id(), next.side().text(), next.turnDeg()));
    }
  }

  @Override
  public void enter(String typed) {
    Optional<Hand> hand = hand();
    if (hand.isPresent()) {
      hand.get().enter(typed);
      return;
    }
    if (followed.isPresent()) {
      followed = Optional.empty();
      return;
    }
    Step step = current().orElse(null);
    if (step == null) {
      desk.go(Progress.current(open) == StageId.FIT ? StageId.LOAD : Progress.current(open));
      return;
    }
    Caution stop = open.stopBefore(names(step)).orElse(null);
    if (stop != null) {
      open.act(new BuildEvent.Acknowledged(stop.at()));
      return;
    }
    switch (step.act()) {
      case GATE -> desk.go(StageId.POWER);
      case CHOOSE ->
          option(step)
              .ifPresent(option ->
                  open.act(new BuildEvent.Chose(option.id(), option.choices().get(choice).id())));
      case TASK -> {
        boolean inspects =
            open.kit().task(step.id()).map(t -> t.kind().equals("inspect")).orElse(false);
        Inspection inspection = inspection();
        if (inspects
            && !putAway.contains(step.id())
            && !inspection.joints().isEmpty()
            && InspectHand.good(open, inspection) == 0) {
          inspect();
        } else {
          open.act(new BuildEvent.Fitted(step.id(), step.refs(), step.joints()));
        }
      }
      case FIT, INSERT, TURN ->
          open.act(new BuildEvent.Fitted(step.id(), step.refs(), step.joints()));
    }
    focus = 0;
    choice = 0;
    followed = Optional.empty();
  }

  /** How many joints there are, are made, and have been looked at. */
  private String counts() {
    int made =
        open.build().inForce().stream()
            .mapToInt(e -> e.event() instanceof BuildEvent.Fitted fitted ? fitted.joints() : 0)
            .sum();
    int all = open.plan().map(plan -> plan.steps().stream().mapToInt(Step::joints).sum()).orElse(0);
    long looked = open.build().joints().values().stream().filter("good"::equals).count();
    return words.say("fit.counts", made, all, looked);
  }

  @Override
  public Mat mat() {
    Optional<Hand> hand = hand();
    if (hand.isPresent()) {
      return hand.get().mat();
    }
    Parts parts = open.fittedParts();
    Step step = current().orElse(null);
    List<String> refs = step == null ? List.of() : step.refs();
    Optional<Part> focused =
        refs.isEmpty() ? Optional.empty() : parts.part(refs.get(Math.min(focus, refs.size() - 1)));
    if (open.kit().boards().isEmpty()) {
      return new PartMat(
          words.say("fit.no-board"),
          focused.map(Part::line),
          refs,
          open.build().fittedRefs(),
          words);
    }
    BoardView view = view();
    Optional<Pin1> pin1 =
        focused.filter(PartWords::isOriented).flatMap(p -> Pin1.of(parts, p.ref(), view));
    String side = words.say(view.side() == Side.TOP ? "fit.side.top" : "fit.side.bottom");
    return new FitMat(
        parts,
        view,
        open.build().fittedRefs(),
        Set.copyOf(refs),
        Choices.leftOut(open.kit(), open.build().choices()),
        focused,
        pin1,
        pin1.map(p -> desk.coreWords().say(p.landmark().phrase())).orElse(""),
        side,
        open.layerProblems(view.board()).stream().findFirst().map(Finding::toString).orElse(""),
        counts(),
        focused
            .filter(p -> step != null && step.act() == Step.Act.FIT)
            .map(p -> JointOrder.of(parts, p.ref())),
        magnified,
        pulledMm,
        faces,
        followed.flatMap(pin -> NetTrace.of(parts, pin)),
        words);
  }
}
