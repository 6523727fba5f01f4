package org.opensatchel.web.errand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.util.unit.DataSize;

/** Who waits for a worker holds no thread; one person waits for a few, all together for so many, and the next is told at once. */
class ErrandsTest {

    @TempDir
    Path temp;

    private final CountDownLatch open = new CountDownLatch(1);
    private Errands errands;

    @AfterEach
    void close() {
        open.countDown();
        errands.close();
    }

    private void errands(int waiting, int ofOne) {
        errands = new Errands(new ErrandSettings(1, 1, DataSize.ofMegabytes(64), DataSize.ofMegabytes(500), Duration.ofSeconds(5),
                Duration.ofSeconds(5), Duration.ofSeconds(5), Duration.ofSeconds(5), DataSize.ofMegabytes(1), waiting, ofOne, temp),
                new WorkerCommand());
    }

    private CompletableFuture<byte[]> ask(long account) {
        return errands.ask(account, () -> {
            await(open);
            throw new NoSuchFileException("it is gone");
        }, Duration.ofSeconds(5));
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await(1, TimeUnit.MINUTES);
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void onePersonWaitsForAFewAtOnce() {
        errands(10, 2);
        ask(1);
        ask(1);
        assertThatThrownBy(() -> ask(1)).isInstanceOf(Errands.Busy.class);
        assertThat(ask(2)).as("somebody else").isNotDone();
        assertThat(errands.waiting(Optional.of(1L))).isEqualTo(2);
    }

    @Test
    void allTogetherWaitForSoManyAndAreLetGoOfWhenItIsDone() throws InterruptedException {
        errands(3, 2);
        CompletableFuture<byte[]> first = ask(1);
        CompletableFuture<byte[]> second = ask(2);
        CompletableFuture<byte[]> third = ask(3);
        assertThatThrownBy(() -> ask(4)).isInstanceOf(Errands.Busy.class);
        open.countDown();
        for (CompletableFuture<byte[]> one : java.util.List.of(first, second, third)) {
            assertThatThrownBy(() -> one.get(1, TimeUnit.MINUTES)).isInstanceOf(ExecutionException.class).cause()
                    .isInstanceOfSatisfying(Errands.NoAnswer.class, none -> assertThat(none.isGone()).isTrue());
        }
        assertThat(errands.waiting(Optional.empty())).isZero();
        assertThatThrownBy(() -> ask(4).join()).isInstanceOf(CompletionException.class);
    }
}
