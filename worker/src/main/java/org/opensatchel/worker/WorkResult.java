package org.opensatchel.worker;

import java.util.List;
import org.opensatchel.core.report.Summary;

/**
 * What a worker brings back, ready to be kept.
 *
 * @param digest what a page shows at once, compressed
 * @param pages the links in pages, compressed
 * @param report the report's exact JSON, compressed
 * @param files the index of the project's files in pages, compressed
 * @param wishes what is worth preparing of it
 */
public record WorkResult(Summary summary, byte[] digest, List<byte[]> pages, byte[] report, List<byte[]> files,
        List<Errand.Wish> wishes) {}
