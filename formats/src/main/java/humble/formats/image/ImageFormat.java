package humble.formats.image;

import humble.core.budget.Budget;

/** A format of program images. */
interface ImageFormat {
  /** Gives what it is called. */
  String title();

  /** Gives the name used in output, {@code intel-hex}. */
  String text();

  /** Tells whether {@code bytes} begin like a file of this format. */
  boolean looksLike(byte[] bytes);

  /** Reads a file, called {@code name} in findings; what it holds comes out of the budget. */
  ImageRead read(String name, byte[] bytes, Budget budget);
}
