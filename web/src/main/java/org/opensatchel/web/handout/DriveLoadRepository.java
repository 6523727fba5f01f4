package org.opensatchel.web.handout;

import org.springframework.data.repository.Repository;

interface DriveLoadRepository extends Repository<DriveLoad, Long> {

    DriveLoad save(DriveLoad load);
}
