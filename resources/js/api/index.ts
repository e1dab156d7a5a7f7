import type { components, paths } from './generated/schema'

export { client, take } from './client'
export { detailOf, isProblem, ProblemError, type FieldFault, type Problem } from './problem'

type Schemas = components['schemas']
export type Answers = Schemas['Answers']
export type BookObject = Schemas['BookObject']
export type Change = Schemas['Change']
export type Clash = Schemas['Clash']
export type CustomerLine = Schemas['CustomerLine']
export type Desk = Schemas['Desk']
export type Impact = paths['/customers/{customer}/live/impact']['get']['responses']['200']['content']['application/json']
export type Difference = Schemas['Difference']
export type Live = Schemas['Live']
export type Push = Schemas['Push']
export type Region = paths['/templates']['get']['responses']['200']['content']['application/json']['regions'][number]
export type Revision = Schemas['Revision']
export type RunSheetStep = Schemas['RunSheetStep']
export type Session = Schemas['Session']
export type Slot = Schemas['Slot']
export type StockNumber = Schemas['StockNumber']
export type Template = Schemas['Template']
