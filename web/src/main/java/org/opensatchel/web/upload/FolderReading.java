package org.opensatchel.web.upload;

import java.util.List;
import java.util.Optional;
import org.opensatchel.base.json.JsonDocuments;
import org.opensatchel.core.kit.Kit;
import org.opensatchel.core.scan.WorthReading;
import org.opensatchel.formats.MediaReaders;
import org.springframework.util.unit.DataSize;

/**
 * What our script reads of a folder.
 *
 * @param sizes the sizes of files that are compared by their content, like starter files
 * @param media endings of files of which parts are sent, since the kit asks something of them; empty where it asks nothing
 * @param most what it sends at most, in bytes
 */
public record FolderReading(WorthReading worth, List<Long> sizes, List<String> media, long most) {

    public static FolderReading under(Optional<Kit> kit, DataSize most) {
        List<Long> sizes = kit.map(Kit::starter).orElse(List.of()).stream().map(Kit.StarterFile::bytes).distinct().toList();
        List<String> media = kit.filter(plan -> !plan.briefs().isEmpty()).isPresent() ? MediaReaders.extensions() : List.of();
        return new FolderReading(WorthReading.under(kit), sizes, media, most.toBytes());
    }

    public String json() {
        return JsonDocuments.MAPPER.writeValueAsString(this);
    }
}
