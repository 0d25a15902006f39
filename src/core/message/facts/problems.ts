// Generated from the catalogue by `npm run messages`.

export interface ProblemsFacts {
  'problems.at': 'place' | 'problem'
  'problems.duplicateId': 'place' | 'name' | 'other' | 'id'
}
