-- Row triggers do not see a truncate; the journal is not emptied that way either.
create trigger event_stays_whole before truncate on event for each statement execute function event_stays();
