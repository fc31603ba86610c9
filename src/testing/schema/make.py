"""Writes musicxml-4.0.xsd: the W3C MusicXML 4.0 schema without its explanations, from the copy in the PyPI package
musicxml 1.6.3 (musicxml/generate_classes/musicxml_4_0.xsd).

usage: make.py PATH_OF_THE_SCHEMA
"""
import re
import sys

text = open(sys.argv[1], encoding="utf8").read()
notice, *_ = re.findall(r"<xs:annotation>.*?</xs:annotation>", text, re.S)
plain = re.sub(r"\s*<xs:annotation>.*?</xs:annotation>", "", text, flags=re.S)
plain = re.sub(r"\n\s*\n", "\n", re.sub(r"<!--.*?-->", "", plain, flags=re.S))
head, rest = plain.split("<xs:import", 1)
print(head + notice + "\n    <xs:import" + rest, end="")
