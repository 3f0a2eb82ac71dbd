/**
 * Candidates for each slot, and the cheapest way through all slots.
 *
 * <p>A miniature of three slots with two candidates each, own costs and changes in effort:
 *
 * <pre>
 *   slot 1   slot 2   slot 3       changes 1-2   changes 2-3
 *   a 1.0    c 2.0    e 1.0        a-c 0  a-d 1  c-e 2  c-f 0
 *   b 0.5    d 1.0    f 1.5        b-c 1  b-d 2  d-e 0  d-f 1
 * </pre>
 *
 * The beginnings cost a 1.0, b 0.5; c 3.0 (from a), d 3.0 (from a); e 4.0 (from d), f 4.5 (from c): the way is a d e.
 * Read from the end the endings give the same 4.0, and the cheapest way through c costs 4.5. {@code SweepTest} runs it.
 */
package phalanx.arrange.search;
