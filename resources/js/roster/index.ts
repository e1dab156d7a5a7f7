export { customerCommands, rosterQuery, useNeighbours } from './rosterQueries'
