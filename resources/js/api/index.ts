import type { components, paths } from './generated/schema'

export { client, take } from './client'
export { detailOf, faultsByField, isProblem, ProblemError, type FieldFault, type Problem } from './problem'

type Schemas = components['schemas']
export type Answers = Schemas['Answers']
export type BookObject = Schemas['BookObject']
export type Kind = BookObject['kind']
/** An object of one kind, with the fields of that kind. */
export type ObjectOf<K extends Kind> = Extract<BookObject, { kind: K }>
export type Change = Schemas['Change']
export type Clash = Schemas['Clash']
export type CustomerLine = Schemas['CustomerLine']
export type Desk = Schemas['Desk']
export type DeskChange = Schemas['DeskChange']
export type Impact =
  paths['/customers/{customer}/live/impact']['get']['responses']['200']['content']['application/json']
export type Finding = Schemas['Finding']
export type FindingLine = Schemas['FindingLine']
export type Findings = Answer<'/findings', 'get'>
export type FindingHead = Schemas['FindingHead']
export type FindingWindow = Answer<'/findings/rows', 'get'>
export type RosterPage = Answer<'/customers', 'get'>
export type AuditRun = NonNullable<Answer<'/audits/latest', 'get'>['run']>
export type Mended = Answer<'/customers/{customer}/findings/fixes', 'post'>
export type RuleLine = Schemas['RuleLine']
export type Threshold = Schemas['Threshold']
export type Strip = NonNullable<Schemas['Strip']>
export type Telling = Schemas['Telling']
export type RightNow = NonNullable<Schemas['RightNow']>
export type Ruler = Schemas['Ruler']
export type YearLine = Schemas['YearLine']
export type CallMap = Schemas['CallMap']
type Answer<Path extends keyof paths, Method extends keyof paths[Path]> = paths[Path][Method] extends {
  responses: { 200: { content: { 'application/json': infer Body } } }
}
  ? Body
  : never
export type Meant = Answer<'/customers/{customer}/meant', 'post'>['meant'][number]
export type Margin = Answer<'/customers/{customer}/margin', 'get'>
export type Now = Answer<'/customers/{customer}/now', 'get'>
export type Followed = Answer<'/customers/{customer}/calls', 'post'>
export type Outbound = Answer<'/customers/{customer}/outbound', 'get'>
export type CallsMade = Answer<'/customers/{customer}/history', 'get'>
export type Proof = Answer<'/customers/{customer}/proof', 'get'>
export type MenuScript = Answer<'/customers/{customer}/menus', 'get'>['menus'][number]
export type Difference = Schemas['Difference']
export type Live = Schemas['Live']
export type Push = Schemas['Push']
export type Region = paths['/templates']['get']['responses']['200']['content']['application/json']['regions'][number]
export type RouteClaims = Schemas['RouteClaims']
export type Recording = Schemas['Recording']
export type Revision = Schemas['Revision']
export type SiteView = Schemas['SiteSheet']
export type PersonElsewhere = Schemas['PersonElsewhere']
export type CalledBack = Schemas['CalledBack']
export type RunSheetStep = Schemas['RunSheetStep']
export type Session = Schemas['Session']
export type Settings = Schemas['Settings']
export type SettingsSaid = paths['/settings']['put']['requestBody']['content']['application/json']
export type Slot = Schemas['Slot']
export type StockNumber = Schemas['StockNumber']
export type StockLine = Schemas['StockLine']
export type NumberState = Schemas['NumberState']
export type NumberOffer = Schemas['NumberOffer']
export type NumberOrder = Schemas['NumberOrder']
export type Port = Schemas['Port']
export type PortState = Schemas['PortState']
export type PortLine = Answer<'/ports', 'get'>['ports'][number]
export type CutOverLine = Answer<'/customers/{customer}/ports/{port}/cut-over', 'get'>['lines'][number]
export type Telephones = Schemas['Telephones']
export type TelephoneModel = Schemas['TelephoneModel']
export type Template = Schemas['Template']
