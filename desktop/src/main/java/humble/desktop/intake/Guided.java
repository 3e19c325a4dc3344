package humble.desktop.intake;

import humble.core.kit.PartKind;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * One line of a list entered with the keypad alone, question by question: how many, what, which
 * value, from which number on.
 */
final class Guided {
  /** What is asked for. */
  enum Ask {
    PIECES,
    KIND,
    VALUE,
    NUMBER
  }

  /**
   * A kind that can be chosen, the letters of its designators, and the word that the list bears.
   */
  record Choice(PartKind kind, String letters, String word, List<String> prefixes) {}

  static final List<Choice> CHOICES =
      List.of(
          new Choice(PartKind.RESISTOR, "R", "resistor", List.of("k", "", "M")),
          new Choice(PartKind.CAPACITOR, "C", "ceramic capacitor", List.of("n", "p", "u")),
          new Choice(PartKind.CAPACITOR_POLARISED, "C", "electrolytic", List.of("u")),
          new Choice(PartKind.LED, "LED", "LED", List.of()),
          new Choice(PartKind.DIODE, "D", "diode", List.of()),
          new Choice(PartKind.TRANSISTOR_NPN, "Q", "NPN transistor", List.of()),
          new Choice(PartKind.TRANSISTOR_PNP, "Q", "PNP transistor", List.of()),
          new Choice(PartKind.IC, "U", "chip", List.of()),
          new Choice(PartKind.SOCKET, "SK", "socket", List.of()),
          new Choice(PartKind.REGULATOR, "U", "regulator", List.of()),
          new Choice(PartKind.CRYSTAL, "Y", "crystal", List.of("M")),
          new Choice(PartKind.BUTTON, "S", "button", List.of()),
          new Choice(PartKind.SWITCH, "S", "slide switch", List.of()),
          new Choice(PartKind.HEADER, "J", "pin header", List.of()),
          new Choice(PartKind.CONNECTOR, "J", "connector", List.of()),
          new Choice(PartKind.TRIMMER, "RV", "trimmer", List.of("k", "", "M")),
          new Choice(PartKind.BUZZER, "BZ", "buzzer", List.of()),
          new Choice(PartKind.DISPLAY, "DISP", "display", List.of()));

  private int pieces;
  private int choice;
  private int prefix;
  private String value = "";
  private Ask ask = Ask.PIECES;

  Ask ask() {
    return ask;
  }

  int pieces() {
    return pieces;
  }

  Choice choice() {
    return CHOICES.get(choice);
  }

  /** The prefix that a bare number gets. */
  String prefix() {
    List<String> prefixes = choice().prefixes();
    return prefixes.isEmpty() ? "" : prefixes.get(prefix % prefixes.size());
  }

  /** Goes to the next candidate of what is asked for. */
  void plus() {
    switch (ask) {
      case KIND -> choice = (choice + 1) % CHOICES.size();
      case VALUE -> prefix++;
      case PIECES, NUMBER -> {}
    }
  }

  /**
   * Takes an answer.
   *
   * @param typed the text of the field
   * @param free first number that is free for the letters of the chosen kind
   * @return the finished line, null while something is still to be asked
   */
  @Nullable String answer(String typed, int free) {
    switch (ask) {
      case PIECES -> {
        pieces = typed.isEmpty() ? 1 : Integer.parseInt(typed);
        ask = Ask.KIND;
      }
      case KIND -> ask = choice().prefixes().isEmpty() ? Ask.NUMBER : Ask.VALUE;
      case VALUE -> {
        value = typed.replace(',', '.') + (endsInDigit(typed) ? prefix() : "");
        ask = Ask.NUMBER;
      }
      case NUMBER -> {
        return line(typed.isEmpty() ? free : Integer.parseInt(typed));
      }
    }
    return null;
  }

  private static boolean endsInDigit(String typed) {
    return !typed.isEmpty() && Character.isDigit(typed.charAt(typed.length() - 1));
  }

  private String line(int from) {
    String letters = choice().letters();
    String refs =
        pieces > 1 ? letters + from + "-" + letters + (from + pieces - 1) : letters + from;
    return String.format(Locale.ROOT, "%d x %s %s %s", pieces, value, choice().word(), refs)
        .replaceAll(" +", " ");
  }
}
