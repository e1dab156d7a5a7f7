export { rosterAsLeft } from './tour'
export { findCustomers, namesQuery, ROSTER_KEY, useNeighbours } from './rosterQueries'
