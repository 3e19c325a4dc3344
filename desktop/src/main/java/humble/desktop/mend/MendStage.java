package humble.desktop.mend;

import humble.bench.HiddenFault;
import humble.bench.SimulatedBoard;
import humble.core.build.BuildEvent;
import humble.core.kit.Board;
import humble.core.kit.BoardState;
import humble.core.kit.Part;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import humble.core.kit.Side;
import humble.core.mend.Diagnosis;
import humble.core.mend.Measure;
import humble.core.mend.Sight;
import humble.core.orient.BoardView;
import humble.core.units.QuantityText;
import humble.core.units.TypedReading;
import humble.core.words.Words;
import humble.desktop.draw.Faces;
import humble.desktop.draw.Mat;
import humble.desktop.session.OpenBuild;
import humble.desktop.stage.Card;
import humble.desktop.stage.Desk;
import humble.desktop.stage.Stage;
import humble.desktop.stage.StageId;
import humble.desktop.stage.Standing;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Something is wrong: how the board stands now, then one measurement after the other, then what it
 * was. Comes from any stage and goes back to it.
 */
public final class MendStage implements Stage {
  private static final List<Sight> SIGHTS = List.of(Sight.values());

  private final OpenBuild open;
  private final Desk desk;
  private final Words words;
  private final StageId from;
  private static final Board NO_BOARD = new Board("", "", 100, 60, 1.6, List.of(), Map.of());

  private final Faces faces;
  private final Dial dial;
  private final Ending ending;
  private final StateChoice states;
  private @Nullable Search search;
  private @Nullable String symptomAt;
  private boolean naming;
  private int level;
  private String typed = "";
  private int moved;
  private String over = "";

  /** Makes the stage; {@code from} is where it was called from and goes back to. */
  public MendStage(OpenBuild open, Desk desk, StageId from) {
    this.open = open;
    this.desk = desk;
    this.words = desk.words();
    this.from = from;
    this.ending = new Ending(open, words);
    this.states = new StateChoice(open, words);
    this.dial = new Dial(open.fittedParts());
    this.faces = new Faces(open::layers, open::inBackground, desk::refresh);
    open.build()
        .hidden()
        .flatMap(h -> open.kit().state(h.state()))
        .filter(state -> !open.build().observed(state.id()).isEmpty())
        .ifPresent(state -> begin(state, 0));
  }

  private void begin(BoardState state, int hiding) {
    if (search != null) {
      search.cancel();
    }
    search = new Search(open, state, open.habits(), hiding, desk::refresh);
  }

  @Override
  public Card card() {
    if (!over.isEmpty()) {
      return overCard();
    }
    Search now = search;
    if (now == null) {
      return beginCard();
    }
    String at = symptomAt;
    if (at != null) {
      return symptomCard(at);
    }
    Diagnosis.Known known = now.known().orElse(null);
    if (known == null) {
      return waitingCard(now);
    }
    if (!now.solvable()) {
      return leaving(
              new Card.Maker(
                  words.say("mend.kicker", now.state().title()), words.say("mend.unsolvable")))
          .how(words.say("mend.unsolvable.how"))
          .go(words.say("mend.back"));
    }
    if (dialled()) {
      return dialCard(now);
    }
    if (asDesigned(now)) {
      return asDesignedCard(now, known);
    }
    return naming || now.own().isEmpty() && known.next().isEmpty()
        ? namingCard(now, known)
        : measureCard(now, known);
  }

  private Card waitingCard(Search now) {
    String key = now.ready() ? "weighing" : now.tried() > 0 ? "hiding" : "reckoning";
    return leaving(
            new Card.Maker(words.say("mend.kicker", now.state().title()), words.say("mend." + key)))
        .how(words.say("mend." + key + ".how", now.tried(), HiddenFault.MOST_TRIES))
        .notYet(words.say("mend.wait"));
  }

  private Card.Maker leaving(Card.Maker card) {
    card.hint("Esc", words.say("mend.leave"), this::leave);
    return card;
  }

  private void leave() {
    if (search != null) {
      search.cancel();
    }
    desk.go(from);
  }

  private Card beginCard() {
    Card.Maker card =
        new Card.Maker(words.say("mend.kicker.begin"), words.say("mend.begin"))
            .how(words.say("mend.begin.how"));
    if (states.all().isEmpty()) {
      return leaving(card.verdict(false, words.say("mend.no-states"))).go(words.say("mend.back"));
    }
    int usual = states.usual(ending.hidden());
    states.rows(card, usual, -1);
    BuildEvent.FaultHidden hidden = ending.hidden().orElse(null);
    if (hidden != null) {
      card.why(words.say("mend.hidden." + hidden.level()));
      card.hint(
          "+",
          words.say("mend.give-up"),
          () -> {
            plus();
            desk.refresh();
          });
    } else if (open.practiceOn()) {
      card.why(words.say("mend.level." + level));
      card.hint(
          "+",
          words.say("mend.hide"),
          () -> {
            plus();
            desk.refresh();
          });
    }
    return leaving(card).go(words.say("mend.begin.go", states.all().get(usual).title()));
  }

  private Card symptomCard(String ref) {
    Card.Maker card =
        new Card.Maker(words.say("mend.kicker.symptom"), words.say("mend.symptom", ref))
            .how(words.say("mend.symptom.how"));
    for (int i = 0; i < SIGHTS.size(); i++) {
      card.row(
          Standing.TO_DO,
          words.say("mend.choice", i + 1, words.say("mend.sight." + SIGHTS.get(i).text())));
    }
    return card.go(words.say("mend.symptom.nothing"));
  }

  /** Tells whether all that is left shows in nothing here: another state may show it. */
  private boolean asDesigned(Search now) {
    return !naming
        && now.own().isEmpty()
        && now.known()
            .filter(known -> known.next().isEmpty() && known.explained())
            .filter(known -> !known.suspects().isEmpty())
            .filter(known -> !known.suspects().getFirst().shows())
            .isPresent();
  }

  private Card asDesignedCard(Search now, Diagnosis.Known known) {
    Card.Maker card =
        new Card.Maker(
                words.say("mend.kicker.known", now.state().title(), now.observations().size()),
                words.say("mend.as-designed"))
            .how(words.say("mend.as-designed.how", known.suspects().getFirst().group().size()));
    int other = states.after(now.state());
    states.rows(card, other, states.all().indexOf(now.state()));
    key(card, '/', words.say("mend.found"));
    return leaving(card)
        .go(
            states.all().size() > 1
                ? words.say("mend.begin.go", states.all().get(other).title())
                : words.say("mend.back"));
  }

  private void elsewhere(Search now) {
    if (states.all().size() > 1) {
      begin(states.all().get(states.after(now.state())), 0);
    } else {
      leave();
    }
  }

  private Card namingCard(Search now, Diagnosis.Known known) {
    Card.Maker card = toName().card(now, known);
    card.hint(
        "0",
        words.say("mend.none"),
        () -> {
          digit(0);
          desk.refresh();
        });
    return leaving(card)
        .go(
            Naming.choices(now, known).isEmpty()
                ? words.say("mend.back")
                : words.say("mend.it-was", 1));
  }

  private Naming toName() {
    return new Naming(words, open.fittedParts());
  }

  private Optional<Measure> asked(Search now) {
    return now.own()
        .or(() -> now.known().flatMap(Diagnosis.Known::next).map(Diagnosis.Next::measure));
  }

  private Card measureCard(Search now, Diagnosis.Known known) {
    Measure measure = asked(now).orElseThrow();
    Card.Maker card =
        new Card.Maker(
            words.say("mend.kicker.known", now.state().title(), now.observations().size()),
            probes(now).title(measure));
    card.how(probes(now).how(measure));
    boolean advised = now.own().isEmpty();
    now.next()
        .ifPresent(next ->
            card.why(
                words.say(
                    advised ? "mend.worth" : "mend.worth-own",
                    String.format(Locale.ROOT, "%.1f", next.minutes()),
                    String.format(Locale.ROOT, "%.1f", next.gainBits()))));
    if (measure instanceof Measure.Look) {
      for (int i = 0; i < 3; i++) {
        card.row(
            Standing.TO_DO,
            words.say("mend.choice", i + 1, words.say("mend.sight." + SIGHTS.get(i).text())));
      }
    } else {
      card.field(typed, isOpen(measure) ? "" : reading(now, measure).unit());
      if (reading(now, measure).value() instanceof QuantityText.Unreadable bad
          && !typed.isEmpty()) {
        card.verdict(false, bad.sentence());
      }
    }
    if (now.nothingToHide()) {
      card.why(words.say("mend.nothing-to-hide"));
    }
    List<String> so = open.build().observed(now.state().id());
    if (!so.isEmpty()) {
      card.why(
          words.say(
              "mend.so-far",
              String.join(
                  "; ", so.reversed().stream().limit(4).map(ObservationText::plain).toList())));
    }
    if (!known.explained()) {
      toName().unexplained(card, now);
    }
    String plus = advised ? "mend.unreachable" : "mend.advice";
    card.hint(
        "+",
        words.say(typed.isEmpty() ? plus : "sort.prefix"),
        () -> {
          plus();
          desk.refresh();
        });
    card.hint(
        "/",
        words.say("mend.found"),
        () -> {
          wrongAgain();
          desk.refresh();
        });
    if (!so.isEmpty()) {
      card.hint(
          measure instanceof Measure.Look ? "−" : "⌫",
          words.say("key.take-back"),
          () -> {
            takeBack();
            desk.refresh();
          });
    }
    dialHint(card);
    if (measure instanceof Measure.Ohms) {
      card.hint(
          "0 0",
          words.say("mend.reads-open"),
          () -> {
            now.observe(measure + "=open", false);
            after();
          });
    }
    leaving(card);
    if (measure instanceof Measure.Look) {
      return board(now).isPresent()
          ? card.go(words.say("mend.practice-look"))
          : card.notYet(words.say("mend.choose"));
    }
    if (typed.isEmpty()) {
      return board(now).isPresent()
          ? card.go(words.say("mend.practice"))
          : card.notYet(words.say("mend.type"));
    }
    return isOpen(measure)
        ? card.go(words.say("mend.reads-open"))
        : card.go(words.say("mend.reads", digits(), reading(now, measure).unit()));
  }

  /** What is typed, as it will be read: its prefix guessed from what the suspects predict. */
  private TypedReading reading(Search now, Measure measure) {
    TypedReading.Kind kind =
        switch (measure) {
          case Measure.Amps m -> TypedReading.Kind.AMPS;
          case Measure.Ohms m -> TypedReading.Kind.OHMS;
          default -> TypedReading.Kind.VOLTS;
        };
    List<Double> expected =
        now.next()
            .filter(next -> next.measure().equals(measure))
            .map(next -> List.copyOf(next.predict().values()))
            .orElse(List.of());
    return new TypedReading(typed, kind, expected, moved);
  }

  /** The number alone: its prefix stands with the unit. */
  private String digits() {
    return typed.replaceFirst("[a-zA-Zµ]+$", "");
  }

  /** Two noughts stand for open: no meter shows them. */
  private boolean isOpen(Measure measure) {
    return measure instanceof Measure.Ohms && typed.equals("00");
  }

  /** Tells whether the meter waits for probes on two pads. */
  private boolean dialled() {
    return dial.at() != Dial.At.VOLTS && !naming && search != null && search.own().isEmpty();
  }

  /** Probes on two pads of one's own choice, red first. */
  private Card dialCard(Search now) {
    String meter = words.say(dial.at().key());
    Card.Maker card =
        new Card.Maker(
            words.say("mend.kicker.known", now.state().title(), now.observations().size()),
            dial.red()
                .map(pin -> words.say("mend.dial.black", meter, pin))
                .orElseGet(() -> words.say("mend.dial.red", meter)));
    card.how(words.say("mend.dial.how"));
    if (!dial.shows().isEmpty()) {
      card.verdict(true, dial.shows());
    }
    dialHint(card);
    return leaving(card).go(words.say("mend.dial.back"));
  }

  private void dialHint(Card.Maker card) {
    key(card, 'D', words.say("mend.dial"));
    key(card, 'F', words.say("mend.flip"));
  }

  private void key(Card.Maker card, char letter, String text) {
    card.hint(
        String.valueOf(letter),
        text,
        () -> {
          if (letter == '/') {
            wrongAgain();
          } else {
            letter(letter);
          }
          desk.refresh();
        });
  }

  private ProbeWords probes(Search now) {
    return new ProbeWords(words, open.fittedParts(), now.state());
  }

  private Card overCard() {
    return new Card.Maker(words.say("mend.kicker.over"), words.say("mend.over"))
        .how(over)
        .why(words.say("mend.over.why"))
        .go(words.say("mend.back"));
  }

  @Override
  public void typing(String text) {
    typed = text;
    moved = text.isEmpty() ? 0 : moved;
  }

  @Override
  public boolean takesSign() {
    return asked().filter(measure -> measure instanceof Measure.Volts).isPresent();
  }

  private Optional<Measure> asked() {
    Search now = search;
    return now == null ? Optional.empty() : asked(now);
  }

  @Override
  public void digit(int digit) {
    Search now = search;
    String at = symptomAt;
    if (now == null) {
      if (digit >= 1 && digit <= states.all().size()) {
        start(digit - 1);
      }
    } else if (at != null) {
      if (digit >= 1 && digit <= SIGHTS.size()) {
        now.observe(SIGHTS.get(digit - 1).text() + ":" + at, false);
      }
      symptomAt = null;
      after();
    } else if (asDesigned(now)) {
      if (digit >= 1 && digit <= states.all().size()) {
        begin(states.all().get(digit - 1), 0);
      }
    } else if (naming || now.known().filter(k -> k.next().isEmpty()).isPresent()) {
      name(now, digit);
    } else if (asked(now).orElse(null) instanceof Measure.Look look && digit >= 1 && digit <= 3) {
      now.observe(SIGHTS.get(digit - 1).text() + ":" + look.ref(), false);
      after();
    }
  }

  private void start(int index) {
    begin(states.all().get(index), open.practiceOn() && ending.hidden().isEmpty() ? level : 0);
  }

  private void name(Search now, int digit) {
    if (digit == 0) {
      naming = false;
      if (now.known().filter(k -> k.next().isEmpty()).isPresent()) {
        leave();
      }
      return;
    }
    now.known()
        .map(known -> Naming.choices(now, known))
        .filter(choices -> digit <= choices.size())
        .ifPresent(choices -> over = ending.itWas(now, choices.get(digit - 1)));
  }

  @Override
  public void plus() {
    Search now = search;
    if (now == null && ending.hidden().isPresent()) {
      over = ending.giveUp(ending.hidden().get());
    } else if (now == null) {
      level = open.practiceOn() ? (level + 1) % (HiddenFault.LEVELS + 1) : 0;
    } else if (!typed.isEmpty()) {
      moved++;
    } else if (now.own().isPresent() || dialled()) {
      now.own(null);
      dial.reset();
      desk.type("");
    } else {
      asked(now).ifPresent(now::outOfReach);
    }
  }

  /** The key that called for help says here that it is found. */
  public void wrongAgain() {
    if (search != null && search.known().isPresent()) {
      naming = !naming;
      desk.type("");
    }
  }

  @Override
  public void enter(String text) {
    Search now = search;
    if (!over.isEmpty()) {
      leave();
    } else if (now == null) {
      if (states.all().isEmpty()) {
        leave();
      } else {
        start(states.usual(ending.hidden()));
      }
    } else if (symptomAt != null) {
      symptomAt = null;
    } else if (now.ready() && !now.solvable()) {
      leave();
    } else if (dialled()) {
      dial.reset();
    } else if (now.known().isPresent()) {
      Diagnosis.Known known = now.known().orElseThrow();
      if (asDesigned(now)) {
        elsewhere(now);
      } else if (naming || now.own().isEmpty() && known.next().isEmpty()) {
        if (Naming.choices(now, known).isEmpty()) {
          leave();
        } else {
          name(now, 1);
        }
      } else {
        measured(now);
      }
    }
  }

  private void measured(Search now) {
    Measure measure = asked(now).orElseThrow();
    if (typed.isEmpty()) {
      if (open.practiceOn()) {
        board(now)
            .map(board -> board.answer(measure))
            .ifPresent(answer -> {
              now.observe(ObservationText.of(answer), true);
              after();
            });
      }
    } else if (isOpen(measure)) {
      now.observe(measure + "=open", false);
      after();
    } else if (reading(now, measure).value() instanceof QuantityText.Read) {
      now.observe(measure + "=" + reading(now, measure).text(), false);
      after();
    }
  }

  /** The simulated board, with what is hidden on it; none while the practice bench is off. */
  private Optional<SimulatedBoard> board(Search now) {
    return open.practiceOn() ? open.practice().board(now.state()) : Optional.empty();
  }

  private void after() {
    if (search != null) {
      search.own(null);
    }
    dial.reset();
    typed = "";
    desk.type("");
  }

  /** A click on a light asks how it looks; on any other pad it is measured there. */
  @Override
  public void pick(String spot) {
    Search now = search;
    if (now == null || now.known().isEmpty() || !over.isEmpty()) {
      return;
    }
    if (spot.startsWith("suspect:")) {
      naming = true;
    } else if (spot.startsWith("part:")) {
      symptomAt = spot.substring("part:".length());
    } else if (spot.startsWith("pad:")) {
      PinRef.parse(spot.substring("pad:".length()))
          .flatMap(pin -> open.fittedParts().net(pin.toString()).map(net -> pin))
          .ifPresent(pin -> touch(now, pin));
    }
  }

  private void touch(Search now, PinRef pin) {
    now.own(dial.touch(pin, board(now), words).orElse(null));
    naming = false;
    desk.type("");
  }

  @Override
  public void letter(char letter) {
    switch (letter) {
      case 'D' -> {
        dial.turn(open.practiceOn());
        if (search != null) {
          search.own(null);
        }
        desk.type("");
      }
      case 'T' -> lie(view(boardShown()).turned());
      case 'F' -> lie(view(boardShown()).flipped());
      default -> {}
    }
  }

  /** The board lies here as it lies on the bench, in every stage. */
  private void lie(BoardView view) {
    open.act(new BuildEvent.Turned(view.board().id(), view.side().text(), view.turnDeg()));
  }

  /**
   * Takes the last observation or turn of the board back and stays; what came before it is taken
   * back elsewhere.
   */
  @Override
  public boolean takeBack() {
    List<BuildEvent.Entry> entries = open.build().inForce();
    boolean observed =
        search != null
            && over.isEmpty()
            && !entries.isEmpty()
            && (entries.getLast().event() instanceof BuildEvent.Observed
                || entries.getLast().event() instanceof BuildEvent.Turned);
    return observed && open.takeBack();
  }

  @Override
  public boolean cancel() {
    if (symptomAt != null) {
      symptomAt = null;
      desk.refresh();
    } else {
      leave();
    }
    return true;
  }

  @Override
  public Mat mat() {
    Search now = search;
    Optional<Diagnosis.Known> known = now == null ? Optional.empty() : now.lastKnown();
    String board = boardShown();
    List<MendMat.Probe> probes = new ArrayList<>();
    for (ProbeWords.Probed each : touched()) {
      if (boardOf(each.pin()).filter(board::equals).isPresent()) {
        open.fittedParts()
            .padAt(each.pin())
            .ifPresent(at -> probes.add(new MendMat.Probe(at, each.red(), each.pin().toString())));
      }
    }
    return new MendMat(
        known.isPresent() ? words.say("mend.mat") : "",
        open.fittedParts(),
        view(board),
        faces,
        open.build().fittedRefs(),
        known,
        now == null ? Optional.empty() : now.next(),
        probes,
        now != null && now.solvable() && known.isPresent()
            ? board(now).map(SimulatedBoard::limited)
            : Optional.empty(),
        words);
  }

  /** The pads under the probes now, red first. */
  private List<ProbeWords.Probed> touched() {
    Search now = search;
    if (now == null || now.lastKnown().isEmpty() || naming) {
      return List.of();
    }
    return dialled()
        ? dial.red().map(pin -> List.of(new ProbeWords.Probed(pin, true))).orElse(List.of())
        : probes(now).on(asked(now).orElse(null));
  }

  /** The board that the first probe is on; empty when none is on any. */
  private String boardShown() {
    return touched().stream().flatMap(each -> boardOf(each.pin()).stream()).findFirst().orElse("");
  }

  private Optional<String> boardOf(PinRef pin) {
    return open.fittedParts().part(pin.ref()).flatMap(Part::placed).map(Place::board);
  }

  private BoardView view(String id) {
    List<Board> boards = open.kit().boards();
    Board board =
        open.kit().board(id).orElseGet(() -> boards.isEmpty() ? NO_BOARD : boards.getFirst());
    return open.build()
        .view(board.id())
        .map(turned ->
            new BoardView(board, Side.named(turned.side()).orElse(Side.TOP), turned.turnDeg()))
        .orElseGet(() -> new BoardView(board, Side.TOP, 0));
  }
}
