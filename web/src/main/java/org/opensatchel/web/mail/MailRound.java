package org.opensatchel.web.mail;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.apache.commons.lang3.concurrent.BasicThreadFactory;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Gives queued mails away, one after the other. Each is marked first: a server that dies in between leaves a mail of which nobody knows
 * whether it went, and never one that goes twice.
 */
@Component
class MailRound implements SmartLifecycle {

    private static final Logger LOG = LoggerFactory.getLogger(MailRound.class);
    private static final int MOST_TRIES = 8;
    private static final long EVERY_MILLIS = 1_000;
    private static final Duration LOST = Duration.ofMinutes(5);
    private static final Duration FIRST_DELAY = Duration.ofSeconds(15);

    private final MailRepository mails;
    private final MailCarrier carrier;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final MailRows rows;
    private ScheduledExecutorService timer;

    MailRound(MailRepository mails, MailCarrier carrier, Clock clock, PlatformTransactionManager transactions, MailRows rows) {
        this.rows = rows;
        this.mails = mails;
        this.carrier = carrier;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    @Override
    public void start() {
        timer = Executors.newSingleThreadScheduledExecutor(BasicThreadFactory.builder().namingPattern("mail").daemon(true).build());
        timer.scheduleWithFixedDelay(this::round, EVERY_MILLIS, EVERY_MILLIS, TimeUnit.MILLISECONDS);
    }

    private void round() {
        try {
            while (!Thread.currentThread().isInterrupted() && rows.isSomethingDue() && giveSome() > 0) {
                LOG.debug("mails were given away");
            }
        } catch (RuntimeException away) {
            LOG.warn("mails wait: {}", away.toString());
        }
    }

    /** Gives away some of what is due; how many they were. */
    int giveSome() {
        Instant now = clock.instant();
        List<Long> due = transaction.execute(status -> {
            mails.lost(now.minus(LOST));
            return rows.claim(now, 1);
        });
        // One at a time: what happens to one must not leave others marked that were never given away.
        for (long id : due) {
            MailView mail = transaction.execute(status -> mails.findById(id).orElseThrow().view());
            became(mail, given(mail));
        }
        return due.size();
    }

    /** Whatever breaks on one mail is that one's. */
    private MailCarrier.Given given(MailView mail) {
        try {
            return carrier.give(mail);
        } catch (RuntimeException broke) {
            LOG.warn("mail {} broke on its way", mail.id(), broke);
            return MailCarrier.Given.UNSURE;
        }
    }

    private void became(MailView mail, MailCarrier.Given given) {
        Instant now = clock.instant();
        transaction.executeWithoutResult(status -> {
            switch (given) {
                case TAKEN -> mails.became(mail.id(), MailView.State.SENT, null, now, now);
                case ADDRESS_REFUSED -> mails.became(mail.id(), MailView.State.FAILED, MailView.Trouble.ADDRESS, null, now);
                case UNSURE -> mails.became(mail.id(), MailView.State.UNSURE, MailView.Trouble.BROKE_OFF, null, now);
                case SERVER_AWAY -> mails.became(mail.id(), mail.tries() >= MOST_TRIES ? MailView.State.FAILED : MailView.State.QUEUED,
                        MailView.Trouble.SERVER, null, now.plus(FIRST_DELAY.multipliedBy(1L << Math.min(10, mail.tries() - 1))));
            }
        });
    }

    @Override
    public void stop() {
        timer.shutdown();
        try {
            timer.awaitTermination(LOST.toSeconds() / 60, TimeUnit.SECONDS);
        } catch (InterruptedException asked) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public boolean isRunning() {
        return timer != null && !timer.isShutdown();
    }
}
