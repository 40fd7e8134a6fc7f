-- The start page asks for everything that opens or closes a loop, on all units at once.
CREATE INDEX entry_about_loops ON entry (visit_id) WHERE kind IN ('change', 'closure', 'handover', 'withdrawal');
