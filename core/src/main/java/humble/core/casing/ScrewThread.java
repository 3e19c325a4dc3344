package humble.core.casing;

import java.util.Arrays;
import java.util.Optional;

/**
 * A metric thread and the holes that go with it, in millimetres: the hole a screw passes (ISO 273,
 * medium), the hole a thread is cut into (nominal less pitch, ISO 261), and how wide its nut is
 * (ISO 4032).
 */
public enum ScrewThread {
  M1_6("M1.6", 1.6, 1.8, 1.25, 3.2),
  M2("M2", 2, 2.4, 1.6, 4),
  M2_5("M2.5", 2.5, 2.9, 2.05, 5),
  M3("M3", 3, 3.4, 2.5, 5.5),
  M3_5("M3.5", 3.5, 3.9, 2.9, 6),
  M4("M4", 4, 4.5, 3.3, 7),
  M5("M5", 5, 5.5, 4.2, 8),
  M6("M6", 6, 6.6, 5, 10);

  private final String text;
  private final double mm;
  private final double passMm;
  private final double tapMm;
  private final double nutMm;

  ScrewThread(String text, double mm, double passMm, double tapMm, double nutMm) {
    this.text = text;
    this.mm = mm;
    this.passMm = passMm;
    this.tapMm = tapMm;
    this.nutMm = nutMm;
  }

  /** Gives the thread of that name, such as {@code M2.5}; empty for others. */
  public static Optional<ScrewThread> named(String name) {
    String plain = name.strip();
    return Arrays.stream(values()).filter(each -> each.text.equalsIgnoreCase(plain)).findFirst();
  }

  /** Gives its name. */
  public String text() {
    return text;
  }

  /** Gives its width. */
  public double mm() {
    return mm;
  }

  /** Gives how wide the hole is that its screw passes. */
  public double passMm() {
    return passMm;
  }

  /** Gives how wide the hole is that it is cut into. */
  public double tapMm() {
    return tapMm;
  }

  /** Gives how wide its nut is from flat to flat. */
  public double nutMm() {
    return nutMm;
  }
}
