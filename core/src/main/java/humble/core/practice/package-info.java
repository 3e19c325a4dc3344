/**
 * Practice: short drills on what is read at a bench, spaced by how the person did. What is shown is
 * made of the same parts, bands and codes as everything else.
 */
@NullMarked
package humble.core.practice;

import org.jspecify.annotations.NullMarked;
