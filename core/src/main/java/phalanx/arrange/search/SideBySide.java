package phalanx.arrange.search;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.BiFunction;
import java.util.function.Supplier;

/** Does two pieces of work at once; what one of them throws ends both. */
public final class SideBySide {
    private SideBySide() {}

    /**
     * What both give, joined.
     *
     * @param here done by this thread
     * @param beside done by another
     */
    public static <A, B, R> R of(Supplier<A> here, Supplier<B> beside, BiFunction<A, B, R> join) {
        CompletableFuture<B> other = CompletableFuture.supplyAsync(beside);
        A own = here.get();
        try {
            return join.apply(own, other.join());
        } catch (CompletionException e) {
            if (e.getCause() instanceof RuntimeException cause) {
                throw cause;
            }
            throw e;
        }
    }
}
