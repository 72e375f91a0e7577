import { describe, expect, it } from 'vitest';
import { readOneRoster } from './read-oneroster';

const files = (change: Record<string, string> = {}) => ({
  'export/users.csv': [
    'sourcedId,status,dateLastModified,enabledUser,orgSourcedIds,role,username,userIds,givenName,familyName,middleName,email',
    'u1,active,,true,o1,student,isla,,Isla Mary,Robertson,,isla@example.org',
    'u2,,,true,o1,student,finn,,FINN,mac donald,,',
    'u3,tobedeleted,,true,o1,student,gone,,Gone,Child,,',
    'u4,active,,true,o1,teacher,tarn,,Ann,Tarn,,',
    'u5,active,,true,o1,student,none,,"  ",Nameless,,',
  ].join('\r\n'),
  'export/classes.csv':
    '\uFEFFsourcedId,status,title,grades,classType\r\nc1,active,P4 Dippers,03,homeroom\r\nc2,active,P10,KG,homeroom\r\nc3,active,Empty,01,homeroom\r\n',
  'export/enrollments.csv': [
    'sourcedId,status,classSourcedId,schoolSourcedId,userSourcedId,role',
    'e1,active,c1,o1,u1,student',
    'e2,active,c1,o1,u4,teacher',
    'e3,active,c2,o1,u2,student',
    'e4,active,c1,o1,u3,student',
    'e5,active,c1,o1,u5,student',
    'e6,active,c1,o1,u1,student',
    'e7,tobedeleted,c2,o1,u1,student',
  ].join('\n'),
  ...change,
});

describe('a class list by OneRoster 1.1', () => {
  it('is read by its three tables: active children by first name and initial, classes with the age of their grade, and nothing else', () => {
    const read = readOneRoster(files());
    expect(read).toEqual({
      ok: true,
      value: {
        classes: [
          { key: 'c1', name: 'P4 Dippers', ageYears: 8, children: [{ key: 'u1', firstName: 'Isla', initial: 'R.' }] },
          { key: 'c2', name: 'P10', ageYears: 5, children: [{ key: 'u2', firstName: 'Finn', initial: 'M.' }] },
        ],
        remarks: ['1 class has no children in it and is left out.', '1 without a name is left out.'],
      },
    });
    expect(JSON.stringify(read)).not.toMatch(/Robertson|example\.org|Tarn/);
  });

  it('says which file or column is missing, and when no child is in any class', () => {
    const { 'export/users.csv': _users, ...two } = files();
    expect(readOneRoster(two)).toMatchObject({ ok: false, problems: [{ place: 'users.csv', reason: 'is not among the files' }] });
    expect(readOneRoster(files({ 'export/classes.csv': 'sourcedId,name\nc1,P4' }))).toMatchObject({
      problems: [{ place: 'classes.csv', reason: 'has no column title' }],
    });
    expect(readOneRoster(files({ 'export/enrollments.csv': 'classSourcedId,userSourcedId,role\nc1,u4,teacher' }))).toMatchObject({
      problems: [{ place: 'enrollments.csv' }],
    });
  });
});
