package humble.desktop.fit;

import humble.core.craft.JointOrder;
import humble.core.kit.Marks;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Parts;
import humble.core.kit.PinRef;
import humble.core.orient.BoardView;
import humble.core.orient.Pin1;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What is said of a part in hand: which way round, by which marks, and which joints come first. */
record PartWords(
    Parts parts,
    BoardView view,
    Part part,
    String ref,
    boolean doubted,
    Words words,
    Words coreWords) {
  /** Four things to look at fit on the card: two on the part, one on the board, the landmark. */
  private static final int MOST_PART_MARKS = 2;

  private static final int MOST_BOARD_MARKS = 1;

  /** What must not be reversed is looked at twice, at the least. */
  private static final int LOOKS = 2;

  /** Which joints come first, and that the rest hops about where heat would gather. */
  Optional<String> tack() {
    JointOrder order = JointOrder.of(parts, part.ref());
    List<PinRef> joints = order.joints();
    if (joints.size() == 2) {
      return Optional.of(words.say("fit.tack.lead"));
    }
    return switch (order.tacks()) {
      case 1 -> Optional.of(words.say("fit.tack.one", joints.getFirst().pin()));
      case 2 ->
          Optional.of(
              words.say(
                  order.hops() ? "fit.tack.hops" : "fit.tack.two",
                  joints.get(0).pin(),
                  joints.get(1).pin()));
      default -> Optional.empty();
    };
  }

  /** A part without a right way round may have one in this kit: a plug with a triangle. */
  static boolean isOriented(Part part) {
    return part.line().isOriented() || !part.line().polarityMarks().isEmpty();
  }

  /** Says which way round, relative to the board as it lies. */
  List<String> orientation() {
    List<String> lines = new ArrayList<>();
    if (!isOriented(part)) {
      boolean looksOtherwise = part.line().kind().isOriented();
      lines.add(words.say(looksOtherwise ? "fit.unpolarised" : "fit.either-way"));
      return lines;
    }
    Pin1.of(parts, ref, view)
        .ifPresent(pin1 -> {
          String way = coreWords.say(pin1.landmark().phrase());
          lines.add(words.say(wayKey(), ref, way));
        });
    if (part.pack().id().equals("half-round-3") && !doubted) {
      lines.add(words.say("fit.way.flat"));
    }
    return lines;
  }

  /** The mark that the part itself shows tells the way; a bag whose marks disagree shows none. */
  private String wayKey() {
    PartKind kind = part.line().kind();
    List<String> shown =
        doubted ? List.of() : part.line().polarityMarks().stream().map(Marks::shape).toList();
    boolean unsaid = part.line().polarityMarks().isEmpty() && !doubted;
    boolean twoLeads = part.pack().pins().size() == 2;
    if (kind.isDiode()) {
      boolean light = kind == PartKind.LED || kind == PartKind.LASER;
      return shown.contains("stripe") && twoLeads
          ? "fit.way.diode"
          : shown.contains("flat") && twoLeads && light ? "fit.way.led" : "fit.way.cathode";
    }
    if (kind == PartKind.CAPACITOR_POLARISED) {
      return shown.contains("stripe") && shown.contains("long-lead")
          ? "fit.way.capacitor"
          : shown.contains("stripe") ? "fit.way.capacitor.stripe" : "fit.way.plus";
    }
    if (kind.hasPlus()) {
      return "fit.way.plus";
    }
    if (shown.contains("notch") || unsaid && part.pack().isDualInLine()) {
      return "fit.way.notch";
    }
    for (String mark : List.of("printed-side", "bevel", "dot", "triangle", "tab")) {
      if (shown.contains(mark)) {
        return "fit.way.mark." + mark;
      }
    }
    return "fit.way.pin1";
  }

  /**
   * The marks on the part, those on the board, and the landmark: each a different thing to look at.
   */
  List<String> marks() {
    List<String> marks = new ArrayList<>();
    part.line().polarityMarks().stream().limit(MOST_PART_MARKS).forEach(marks::add);
    part.placed().stream()
        .flatMap(place -> place.marks().stream())
        .limit(MOST_BOARD_MARKS)
        .forEach(mark -> marks.add("board:" + mark));
    // An edge of the board only says the direction again: it is asked where nothing else is.
    boolean thing =
        Pin1.of(parts, part.ref(), view).filter(p -> p.landmark().ref() != null).isPresent();
    if (thing || part.placed().isPresent() && marks.size() < LOOKS) {
      marks.add("landmark");
    }
    return marks;
  }

  String markText(String mark) {
    if (mark.equals("landmark")) {
      String way =
          Pin1.of(parts, part.ref(), view)
              .map(p -> coreWords.say(p.landmark().phrase()))
              .orElse("");
      return words.say("mark.landmark", way);
    }
    boolean onBoard = mark.startsWith("board:");
    String plain = onBoard ? mark.substring(6) : mark;
    int colon = plain.indexOf(':');
    String shape = colon < 0 ? plain : plain.substring(0, colon);
    String key = "mark." + shape;
    String name = words.knows(key) ? words.say(key) : shape;
    return words.say(onBoard ? "mark.on-board" : "mark.on-part", name);
  }
}
