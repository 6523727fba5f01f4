-- Where each file of a project lies in what was handed in, in pages; which page a file stands in is told by its path.
create table hand_in_index (
    hand_in_id bigint not null references hand_in on delete cascade,
    page integer not null,
    content bytea not null,
    primary key (hand_in_id, page)
);

-- What is shown of files, made once: small pictures, waves, lines around a place. The name says of what, in which form.
create table hand_in_view (
    hand_in_id bigint not null references hand_in on delete cascade,
    name char(64) not null,
    content bytea not null,
    primary key (hand_in_id, name)
);

-- Every foreign key leads an index: what is deleted or changed is looked for in every table that may refer to it.
create index account_by_made_for on account (made_for);
create index course_instructor_by_account_id on course_instructor (account_id);
create index kit_version_by_published_by on kit_version (published_by);
create index hand_in_by_enrolment_id on hand_in (enrolment_id);
create index hand_in_by_kit_version_id on hand_in (kit_version_id);
create index hand_in_by_next_kit_version_id on hand_in (next_kit_version_id);
create index kit_draft_by_saved_by on kit_draft (saved_by);
create index drive_load_by_enrolment_id on drive_load (enrolment_id);
create index stored_content_by_stored_by on stored_content (stored_by);
create index extension_by_enrolment_id on extension (enrolment_id);
create index looked_by_enrolment_id on looked (enrolment_id);
create index sending_by_assignment_id on sending (assignment_id);
create index sending_by_enrolment_id on sending (enrolment_id);
create index sending_by_hand_in_id on sending (hand_in_id);
create index step_confirmation_by_enrolment_id on step_confirmation (enrolment_id);
create index document_format_version_by_kept_by on document_format_version (kept_by);
create index ruling_by_assignment_id on ruling (assignment_id);
create index ruling_by_enrolment_id on ruling (enrolment_id);
create index ruling_by_hand_in_id on ruling (hand_in_id);
create index ruling_by_made_by on ruling (made_by);
create index ruling_by_undone_by on ruling (undone_by);
create index remark_by_hand_in_id on remark (hand_in_id);
create index remark_by_made_by on remark (made_by);
create index remark_by_removed_by on remark (removed_by);
create index decision_by_hand_in_id on decision (hand_in_id);
create index decision_by_made_by on decision (made_by);
create index decision_by_undone_by on decision (undone_by);
create index given_points_by_hand_in_id on given_points (hand_in_id);
create index given_points_by_made_by on given_points (made_by);
create index given_points_by_undone_by on given_points (undone_by);
create index audit_by_account_id on audit (account_id);
create index audit_by_enrolment_id on audit (enrolment_id);
create index audit_by_hand_in_id on audit (hand_in_id);
create index past_report_by_kit_version_id on past_report (kit_version_id);
create index mail_by_assignment_id on mail (assignment_id);
create index mail_by_hand_in_id on mail (hand_in_id);
create index mail_by_queued_by on mail (queued_by);
create index slip_by_changed_by on slip (changed_by);
create index slip_by_mail_id on slip (mail_id);
create index slip_by_sent_by on slip (sent_by);
create index graded_by_graded_by on graded (graded_by);
create index intake_by_made_by on intake (made_by);
create index intake_item_by_enrolment_id on intake_item (enrolment_id);
create index intake_item_by_hand_in_id on intake_item (hand_in_id);
create index media_preset_by_kept_by on media_preset (kept_by);
