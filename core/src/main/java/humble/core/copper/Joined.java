package humble.core.copper;

import java.util.Arrays;

/** Numbers that belong together: joined pair by pair, asked for in nearly no time. */
final class Joined {
  private int[] parent = new int[1024];
  private int size;

  /** Adds a number that belongs to none of the others. */
  int add() {
    if (size == parent.length) {
      parent = Arrays.copyOf(parent, size * 2);
    }
    parent[size] = size;
    return size++;
  }

  int root(int number) {
    int at = number;
    while (parent[at] != at) {
      parent[at] = parent[parent[at]];
      at = parent[at];
    }
    return at;
  }

  boolean same(int a, int b) {
    return root(a) == root(b);
  }

  /** The lower number speaks for both. */
  void join(int a, int b) {
    int first = root(a);
    int second = root(b);
    parent[Math.max(first, second)] = Math.min(first, second);
  }
}
