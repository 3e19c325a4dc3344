package humble.formats.image;

/**
 * Bytes written as pairs of hexadecimal digits.
 *
 * @param bytes the bytes up to the first that cannot be read
 * @param bad place of the first character that is no digit, or the one before it; −1 where all are
 */
@SuppressWarnings("ArrayRecordComponent") // handed on at once, never compared
record HexDigits(byte[] bytes, int bad) {
  /** Reads the pairs from {@code from} up to {@code to}, not included; an odd digit is left. */
  static HexDigits of(byte[] text, int from, int to) {
    byte[] bytes = new byte[Math.max(0, (to - from) / 2)];
    for (int i = 0; i < bytes.length; i++) {
      int high = Character.digit(text[from + 2 * i], 16);
      int low = Character.digit(text[from + 2 * i + 1], 16);
      if (high < 0 || low < 0) {
        return new HexDigits(bytes, from + 2 * i);
      }
      bytes[i] = (byte) (high << 4 | low);
    }
    return new HexDigits(bytes, -1);
  }

  /** Gives all bytes added up. */
  int sum() {
    int sum = 0;
    for (byte each : bytes) {
      sum += each;
    }
    return sum;
  }

  /** Says where on a line that begins at {@code start} the bad one stands. */
  String sentence(int start) {
    return "Character " + (bad - start + 1) + " or the next is no hexadecimal digit.";
  }
}
