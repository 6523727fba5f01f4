package org.opensatchel.web;

import com.microsoft.playwright.Page;
import java.util.Map;

/**
 * A folder of the browser's own (File System Standard, origin private file system): a handle like those of chosen folders, which no test could
 * choose by hand.
 */
public final class OwnFolder {

    private static final String WRITE = """
            async ([name, files]) => {
              const root = await navigator.storage.getDirectory(), folder = await root.getDirectoryHandle(name, { create: true });
              for (const [path, content] of Object.entries(files)) {
                let at = folder;
                const names = path.split("/");
                for (const one of names.slice(0, -1)) at = await at.getDirectoryHandle(one, { create: true });
                const out = await (await at.getFileHandle(names.at(-1), { create: true })).createWritable();
                await out.write(content);
                await out.close();
              }
            }""";
    private static final String CHOOSE = """
            async (name) => {
              const folder = await (await navigator.storage.getDirectory()).getDirectoryHandle(name);
              window.showDirectoryPicker = async () => folder;
            }""";

    private OwnFolder() {
    }

    /** Writes files, by their paths in the folder. */
    public static void write(Page page, String name, Map<String, String> files) {
        page.evaluate(WRITE, new Object[]{name, files});
    }

    /** The next folder that the page asks for is this one. */
    public static void choose(Page page, String name) {
        page.evaluate(CHOOSE, name);
    }
}
