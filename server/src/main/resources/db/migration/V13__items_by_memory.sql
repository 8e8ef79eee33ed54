-- Sweeps and imports look for items by address in memory: of all that a new item cost, this index cost most.
drop index item_address;
