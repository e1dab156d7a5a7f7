export { rosterAsLeft } from './tour'
export { customerCommands, rosterQuery, useNeighbours } from './rosterQueries'
