import { readFileSync } from 'node:fs'
import Ajv2020, { type ValidateFunction } from 'ajv/dist/2020'
import { parse } from 'yaml'

/**
 * The contract of the API, held against what stubs answer: a test that passes on an answer the server cannot give
 * proves nothing.
 */
const BASE = 'https://contract.test/'

interface Document {
  paths: Record<string, Record<string, { responses: Record<string, { $ref?: string; content?: unknown }> }>>
}

const document = parse(readFileSync('contract/openapi.yaml', 'utf8')) as Document
const ajv = new Ajv2020({ strict: false, validateFormats: false, allErrors: true })
ajv.addSchema(document, `${BASE}openapi.yaml`)
ajv.addSchema(JSON.parse(readFileSync('contract/objects.json', 'utf8')) as object, `${BASE}objects.json`)

const shapes = Object.keys(document.paths).map((path) => ({
  path,
  is: new RegExp(`^${path.replace(/[.]/g, '\\.').replace(/\{[^}]+\}/g, '[^/]+')}$`),
}))

const pointer = (step: string): string => encodeURIComponent(step.replaceAll('~', '~0').replaceAll('/', '~1'))

/** @returns what is wrong with an answer to `METHOD /path`, in words; undefined where it is as the contract says */
export function faultOf(call: string, answer: unknown): string | undefined {
  const [method = '', target = ''] = call.split(' ')
  const path = shapes.find(
    (each) => each.is.test(target) && document.paths[each.path]?.[method.toLowerCase()] !== undefined,
  )?.path
  const operation = path === undefined ? undefined : document.paths[path]?.[method.toLowerCase()]
  if (path === undefined || operation === undefined) return `the contract knows no ${call}`
  const status = Object.keys(operation.responses).find((each) => each.startsWith('2')) ?? ''
  const hasBody = operation.responses[status]?.$ref !== undefined || operation.responses[status]?.content !== undefined
  if (answer === null) return hasBody ? `the contract answers ${call} with ${status}, not nothing` : undefined
  const at =
    operation.responses[status]?.$ref ??
    `#/paths/${[path, method.toLowerCase(), 'responses', status].map(pointer).join('/')}`
  const validate = ajv.getSchema(`${BASE}openapi.yaml${at}/content/${pointer('application/json')}/schema`) as
    ValidateFunction | undefined
  if (validate === undefined || validate(answer)) return undefined
  // Of what fits none of several shapes, the fault that lies deepest is of the shape that was meant.
  const depth = (path: string): number => path.split('/').length
  const [first] = [...(validate.errors ?? [])]
    .filter((each) => !each.instancePath.endsWith('/kind'))
    .sort((one, other) => depth(other.instancePath) - depth(one.instancePath))
  return `${call}: ${first?.instancePath ?? ''} ${first?.message ?? ''} ${JSON.stringify(first?.params)}`
}
