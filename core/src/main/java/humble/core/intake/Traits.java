package humble.core.intake;

import humble.core.kit.PartKind;
import humble.core.words.Phrase;
import java.util.List;

/**
 * Marks or weaknesses that parts of a kind usually have, where a list says nothing of them.
 *
 * @param words as kit files name them
 * @param confidence how sure that is, 0 to 1
 * @param because the reason
 */
record Traits(List<String> words, double confidence, Phrase because) {
  private static final double GUESSED = 0.8;

  /** Nothing usual. */
  static final Traits NONE = new Traits(List.of(), 1, Phrase.of("guess.all", ""));

  static Traits polarity(PartKind kind, String packageId) {
    Phrase usual = Phrase.of("guess.marks");
    if (packageId.startsWith("dip-") || packageId.startsWith("socket-dip-")) {
      return new Traits(List.of("notch"), 0.95, usual);
    }
    return switch (kind.way()) {
      case EITHER -> Traits.NONE;
      case CATHODE_FIRST ->
          kind == PartKind.LED
              ? new Traits(List.of("long-lead", "flat"), 0.85, usual)
              : kind == PartKind.LASER ? Traits.NONE : new Traits(List.of("stripe"), 0.95, usual);
      case PLUS_FIRST ->
          kind == PartKind.BUZZER
              ? new Traits(List.of("plus", "long-lead"), 0.7, usual)
              : kind != PartKind.CAPACITOR_POLARISED
                  ? new Traits(List.of("plus"), 0.9, usual)
                  : packageId.equals("bead")
                      ? new Traits(List.of("plus", "long-lead"), GUESSED, usual)
                      : new Traits(List.of("stripe", "long-lead"), 0.9, usual);
      case THREE_LEGS ->
          packageId.equals("half-round-3")
              ? new Traits(List.of("flat"), 0.95, usual)
              : packageId.startsWith("tab-3")
                  ? new Traits(List.of("printed"), 0.85, usual)
                  : new Traits(List.of("dot"), 0.4, usual);
      case PIN_1 ->
          kind == PartKind.IC
              ? new Traits(List.of("dot"), 0.7, usual)
              : kind == PartKind.DISPLAY || kind == PartKind.MODULE
                  ? new Traits(List.of("printed"), 0.6, usual)
                  : Traits.NONE;
    };
  }

  static Traits fragile(PartKind kind) {
    List<String> words = kind.hurt().words();
    return switch (kind.hurt()) {
      case NOTHING -> Traits.NONE;
      case STATIC -> new Traits(words, 0.9, Phrase.of("guess.hurt.static"));
      case HEAT -> new Traits(words, GUESSED, Phrase.of("guess.hurt.heat"));
      case SHOCK -> new Traits(words, GUESSED, Phrase.of("guess.hurt.shock"));
      case GLASS -> new Traits(words, GUESSED, Phrase.of("guess.hurt.glass"));
      case BOARDED -> new Traits(words, 0.7, Phrase.of("guess.hurt.boarded"));
      case WATER -> new Traits(words, 0.7, Phrase.of("guess.hurt.water"));
    };
  }
}
