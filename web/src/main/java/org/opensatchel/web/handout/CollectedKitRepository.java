package org.opensatchel.web.handout;

import org.springframework.data.repository.Repository;

interface CollectedKitRepository extends Repository<CollectedKit, Long> {

    CollectedKit save(CollectedKit kit);
}
