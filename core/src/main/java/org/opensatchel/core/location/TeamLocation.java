package org.opensatchel.core.location;

/**
 * Where another member of the team says the project lies.
 *
 * @param person the member's name, for people
 * @param path the absolute path of the root, as typed
 */
public record TeamLocation(String person, String path) {}
