import fc from "fast-check";

// One seed for every property, so that a failure on one machine is a failure on all.
fc.configureGlobal({ seed: 20270709 });
