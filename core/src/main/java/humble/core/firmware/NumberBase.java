package humble.core.firmware;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalLong;

/** A base in which old listings and front panels are written. */
public enum NumberBase {
  HEX(16, 2, "[0-9A-Fa-f]+"),
  OCTAL(8, 3, "[0-7]+"),
  /** Every byte by itself in three octal digits: 377 377 is the last of 65,536 addresses. */
  SPLIT_OCTAL(8, 3, "[0-3][0-7]{2}([. ]?[0-3][0-7]{2})*"),
  BINARY(2, 8, "[01]+");

  private final int radix;
  private final int digits;
  private final String form;

  NumberBase(int radix, int digits, String form) {
    this.radix = radix;
    this.digits = digits;
    this.form = form;
  }

  /** Gives the one of that name. */
  public static Optional<NumberBase> named(String name) {
    return Arrays.stream(values()).filter(each -> each.text().equals(name)).findFirst();
  }

  /** Gives the name used in commands. */
  public String text() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  /** How many digits a byte has. */
  int digits() {
    return digits;
  }

  /** Reads a number; empty when it is none of this base or wider than 32 bits. */
  public OptionalLong read(String text) {
    String plain = this == HEX ? text.replaceFirst("^(0[xX]|\\$)|[hH]$", "") : text;
    if (!plain.matches(form)) {
      return OptionalLong.empty();
    }
    if (this == SPLIT_OCTAL) {
      String all = plain.replaceAll("[. ]", "");
      long value = 0;
      for (int i = 0; i < all.length() && i < 12; i += 3) {
        value = value << 8 | Long.parseLong(all.substring(i, i + 3), 8);
      }
      return all.length() > 12 ? OptionalLong.empty() : OptionalLong.of(value);
    }
    String digitsOnly = plain.replaceFirst("^0+(?=.)", "");
    if (digitsOnly.length() > 32) {
      return OptionalLong.empty();
    }
    try {
      long value = Long.parseLong(digitsOnly, radix);
      return value > 0xffff_ffffL ? OptionalLong.empty() : OptionalLong.of(value);
    } catch (NumberFormatException e) {
      return OptionalLong.empty();
    }
  }

  /** Writes a byte, with its leading zeros. */
  public String of(int value) {
    String text = Integer.toString(value & 0xff, radix);
    return "0".repeat(Math.max(0, digits - text.length())) + text;
  }

  /** Writes an address of at least 16 bits in split octal. */
  public static String split(long address) {
    StringBuilder text = new StringBuilder();
    int bytes = address > 0xffff_ffL ? 4 : address > 0xffff ? 3 : 2;
    for (int i = bytes - 1; i >= 0; i--) {
      text.append(text.isEmpty() ? "" : " ")
          .append(String.format(Locale.ROOT, "%03o", address >> 8 * i & 0xff));
    }
    return text.toString();
  }
}
