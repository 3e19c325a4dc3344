/**
 * Which parts of a kit look alike, to whom, under which lamp, and what to measure therefore.
 *
 * <ol>
 *   <li>Each band colour has a documented paint; a tenth of the body's colour shines through.
 *   <li>The lamp scales the cones (von Kries), of which half is adapted away.
 *   <li>The eyes are a matrix of Machado, Oliveira and Fernandes 2009 at severity 1.
 *   <li>The distance is CIEDE2000; the chance to take one colour for another falls off with it.
 *   <li>Two lines are look-alikes when their bands, from either end, may be taken for each other
 *       with a chance of 0.05 or more, or when they share a case that says nothing.
 *   <li>To be measured is a smallest set of lines that leaves no such pair in doubt.
 * </ol>
 */
@NullMarked
package humble.core.likeness;

import org.jspecify.annotations.NullMarked;
